import { Link } from "@tanstack/react-router";
import type { Problem, SessionView } from "../../../api/client";
import { ProblemNote } from "../../../ui/ProblemNote";

/** The session is over: all taps are safe, and the log is next. */
export function Over(props: {
  session: SessionView;
  unsent: number;
  refusal: Problem | null;
  halted: string | null;
}) {
  const { session, unsent, refusal, halted } = props;
  return (
    <div className="mx-auto flex min-h-dvh max-w-2xl flex-col justify-center gap-6 px-6">
      <h1 className="text-5xl">{halted === null ? "The session is over." : "The session was stopped."}</h1>
      {halted === null ? (
        <p className="text-2xl">Help {session.client.name} to sit up slowly. The log is already filled in.</p>
      ) : (
        <div className="text-2xl">
          {halted && <p className="text-accent">△ {halted}</p>}
          <p className="mt-2">
            Stay with {session.client.name}. Up only slowly, with a hand near. When it does not pass at once,
            or you are not sure, call for help or send them to their clinician, and say what you saw, not what
            you think it is. The reason and the time are noted.
          </p>
        </div>
      )}
      {refusal && <ProblemNote error={refusal} />}
      {unsent > 0 ? (
        <p role="status" className="text-xl text-accent">
          {unsent} {unsent === 1 ? "tap is" : "taps are"} kept on this device and will be sent when the server
          can be reached.
        </p>
      ) : (
        <Link
          to="/session/$sessionId/log"
          params={{ sessionId: session.session_id }}
          className="btn btn-primary h-20 text-2xl"
        >
          Log the session
        </Link>
      )}
    </div>
  );
}
