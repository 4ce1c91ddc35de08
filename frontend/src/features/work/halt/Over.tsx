import { Link } from "@tanstack/react-router";
import type { Problem, SessionView } from "../../../api/client";
import { shared } from "../../../phrases/screens/shared";
import { say } from "../../../phrases/screens/work/halt";
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
      <h1 className="text-5xl">{halted === null ? say.sessionIsOver : say.sessionWasStopped}</h1>
      {halted === null ? (
        <p className="text-2xl">{say.helpUp(session.client.name)}</p>
      ) : (
        <div className="text-2xl">
          {halted && <p className="text-accent">△ {halted}</p>}
          <p className="mt-2">{say.stayWith(session.client.name)}</p>
        </div>
      )}
      {refusal && <ProblemNote error={refusal} />}
      {unsent > 0 ? (
        <p role="status" className="text-xl text-accent">
          {say.keptOnThisDevice(unsent)}
        </p>
      ) : (
        <Link
          to="/session/$sessionId/log"
          params={{ sessionId: session.session_id }}
          className="btn btn-primary h-20 text-2xl"
        >
          {shared.logSession}
        </Link>
      )}
    </div>
  );
}
