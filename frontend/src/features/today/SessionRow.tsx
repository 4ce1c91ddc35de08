import { useQuery } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import type { Day, SessionOnDay } from "../../api/client";
import { catalogueQuery } from "../../api/queries";
import { decimal } from "../../phrases/measures";
import { shared } from "../../phrases/screens/shared";
import { say } from "../../phrases/screens/today/booking";
import { timeOfDay } from "../../phrases/time";
import { ATTENDANCE, askedFor, STAGE_WORDS } from "../../phrases/today";
import { SmallTide } from "../../tideline/SmallTide";
import { OpenWord } from "../../ui/OpenWord";
import { ChangeSession } from "./changing/ChangeSession";
import type { Done } from "./done";

interface Props {
  session: SessionOnDay;
  day: Day;
  onDone(done: Done): void;
}

/** A session of the day in its order; what is booked can be changed beside it. */
export function SessionRow({ session, day, onDone }: Props) {
  const catalogue = useQuery(catalogueQuery).data;
  const gone = !session.comes;
  return (
    <li className="flex items-center gap-x-3">
      <Link
        to={`/session/$sessionId/${session.opens}`}
        params={{ sessionId: session.session_id }}
        className={`grid min-h-16 flex-1 grid-cols-[3.5rem_1fr] items-center gap-x-4 px-2 py-3 hover:bg-base-200 lg:grid-cols-[3.5rem_minmax(10rem,15rem)_minmax(0,1fr)_150px_9rem] ${gone ? "text-quiet" : ""}`}
      >
        <span className="numbers">{timeOfDay(session.starts_at, day.time_zone)}</span>
        <span className={`text-lg font-bold ${gone ? "line-through" : ""}`}>{session.client_name}</span>
        <span className="col-start-2 lg:col-start-auto">{askedFor(session.brief, catalogue)}</span>
        <span className="hidden lg:block">
          {!gone && <SmallTide sheet={session.outline} width={150} height={44} />}
        </span>
        <span className="col-start-2 text-quiet italic lg:col-start-auto lg:text-right">
          {stateOf(session)}
          {session.hands_by_then?.hazardous && (
            <span className="block text-accent not-italic">
              △ {say.handsByThen(decimal(session.hands_by_then.strain))}
            </span>
          )}
        </span>
      </Link>
      <span className="w-16 shrink-0">
        {session.stage !== "logged" && (
          <OpenWord
            about={say.change(session.client_name)}
            panel={(close) => (
              <ChangeSession
                session={session}
                day={day.day}
                onDone={(done) => {
                  close();
                  onDone(done);
                }}
              />
            )}
          >
            Change
          </OpenWord>
        )}
      </span>
    </li>
  );
}

/** How far it is, or that the client does not come, with the word about it. */
function stateOf(session: SessionOnDay): string {
  const told = [ATTENDANCE[session.attendance], session.attendance_note].filter(Boolean).join(": ");
  if (!session.comes) return told;
  const stage =
    session.stage === "plan" && session.unread_intake ? shared.intakeToRead : STAGE_WORDS[session.stage];
  return told ? `${stage}, ${told}` : stage;
}
