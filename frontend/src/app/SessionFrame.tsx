import { useQuery } from "@tanstack/react-query";
import { Link, Outlet, useParams } from "@tanstack/react-router";
import type { SessionView } from "../api/client";
import { meQuery, sessionQuery } from "../api/queries";
import { NameWalkIn } from "../features/today/walkIn/NameWalkIn";
import { say } from "../phrases/screens/app";
import { shared } from "../phrases/screens/shared";
import { dayAndTime } from "../phrases/time";
import { ATTENDANCE } from "../phrases/today";
import { capital } from "../phrases/words";
import { ProblemNote } from "../ui/ProblemNote";

interface Wanted {
  stage: "meet" | "plan" | "work" | "log";
  words: string;
}

/** The stage that wants attention, and what it wants. */
function wanted({ stage, unread_intake, news = [], house_news = [] }: SessionView): Wanted | null {
  if (stage === "work") return { stage: "work", words: "under way" };
  if (stage === "log") return { stage: "log", words: say.toBeLogged };
  if (stage === "plan" && unread_intake) return { stage: "meet", words: shared.intakeToRead };
  if (stage === "plan" && news.length + house_news.length) return { stage: "plan", words: "something new" };
  return null;
}

/** A session's name and its stages along the top edge. A stage that wants attention says so in words. */
export function SessionFrame() {
  const { sessionId } = useParams({ from: "/in/framed/session/$sessionId" });
  const session = useQuery(sessionQuery(sessionId));
  const me = useQuery(meQuery);
  if (session.error) return <ProblemNote error={session.error} onAgain={() => session.refetch()} />;
  return (
    <>
      <div className="mb-3 flex flex-wrap desk:-mt-2 desk:mb-1 items-baseline gap-x-6 gap-y-1">
        <h1 className="text-3xl">
          {session.data ? (
            <Link
              to="/clients/$clientId"
              params={{ clientId: session.data.client.client_id }}
              className="-my-1 inline-flex min-h-11 items-center decoration-tide/60 decoration-dotted underline-offset-4 hover:underline"
            >
              {session.data.client.name}
            </Link>
          ) : (
            " "
          )}
        </h1>
        {session.data?.walk_in && <NameWalkIn sessionId={sessionId} />}
        {session.data && ATTENDANCE[session.data.attendance] && (
          <p className="font-bold text-accent">△ {capital(ATTENDANCE[session.data.attendance])}</p>
        )}
        {session.data && me.data && (
          <p className="text-quiet">
            {dayAndTime(session.data.starts_at, me.data.time_zone, new Date())}
            {session.data.client.know_first && (
              <>
                {" · "}
                <span className="text-base-content">{session.data.client.know_first}</span>
              </>
            )}
          </p>
        )}
        {session.data && me.data && <Stages sessionId={sessionId} wants={wanted(session.data)} />}
      </div>
      <Outlet />
    </>
  );
}

/** The stages to go to. They come with the name and the hour, which would move them under a finger otherwise. */
function Stages({ sessionId, wants }: { sessionId: string; wants: Wanted | null }) {
  return (
    <nav aria-label={say.stagesOfSession} className="no-print flex flex-wrap gap-1 sm:ml-auto">
      {(["meet", "plan", "prepare", "work", "log", "learn"] as const).map((stage) => (
        <Link
          key={stage}
          to={`/session/$sessionId/${stage}`}
          params={{ sessionId }}
          className="min-h-11 min-w-11 rounded-field px-1.5 py-2 text-center hover:bg-base-200 sm:px-3 2xl:px-4"
          activeProps={{ className: "bg-base-300 font-bold", "aria-current": "page" }}
        >
          {capital(stage)}
          {wants?.stage === stage && " "}
          {wants?.stage === stage && (
            <span className="ml-1 font-normal text-accent italic">{wants.words}</span>
          )}
        </Link>
      ))}
    </nav>
  );
}
