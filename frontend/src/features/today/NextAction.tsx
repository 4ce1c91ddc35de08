import { useQuery } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import type { SessionOnDay } from "../../api/client";
import { catalogueQuery } from "../../api/queries";
import { shared } from "../../phrases/screens/shared";
import { say } from "../../phrases/screens/today/page";
import { timeOfDay } from "../../phrases/time";
import { askedFor } from "../../phrases/today";

const ACTION: Record<SessionOnDay["opens"], { heading: string; button: string }> = {
  meet: { heading: "Next", button: say.meetClient },
  plan: { heading: "Next", button: shared.lookAtPlan },
  work: { heading: "Under way", button: say.goOnWorking },
  log: { heading: say.stillToLog, button: shared.logSession },
};

/** The one thing to do next, large. */
export function NextAction(props: { session: SessionOnDay; timeZone: string; label: string }) {
  const { session, timeZone, label } = props;
  const catalogue = useQuery(catalogueQuery).data;
  const action = ACTION[session.opens];
  return (
    <section
      aria-label={label}
      className="mt-4 grid gap-x-10 gap-y-4 rounded-box bg-base-200 px-6 py-5 sm:grid-cols-[1fr_auto] sm:items-center sm:px-8"
    >
      <div>
        <p className="text-quiet italic">
          {action.heading}, {timeOfDay(session.starts_at, timeZone)}
        </p>
        <h2 className="text-3xl">{session.client_name}</h2>
        <p className="mt-1">{askedFor(session.brief, catalogue)}</p>
        {session.know_first && (
          <p className="mt-1 font-bold">
            <span className="text-accent" aria-hidden="true">
              △{" "}
            </span>
            {session.know_first}
          </p>
        )}
      </div>
      <Link
        to={`/session/$sessionId/${session.opens}`}
        params={{ sessionId: session.session_id }}
        className="btn btn-primary h-16 px-8 text-xl"
      >
        {action.button}
      </Link>
    </section>
  );
}
