import { useQuery } from "@tanstack/react-query";
import { Link, useSearch } from "@tanstack/react-router";
import { dayPreparationQuery } from "../../api/besideQueries";
import type { DayPreparation, Preparation } from "../../api/client";
import { pouredWords } from "../../phrases/measures";
import { say } from "../../phrases/screens/prepare";
import { shared } from "../../phrases/screens/shared";
import { longDate, timeOfDay } from "../../phrases/time";
import { capital, listed } from "../../phrases/words";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { EaseMyHands } from "./EaseMyHands";
import { HowAreYou } from "./HowAreYou";
import { StockOf } from "./StockOf";
import { Things } from "./Things";
import { usePreparing } from "./usePreparing";

/** A whole day prepared at once: oneself, what all sessions take together, and each session's own things. */
export function PrepareDayPage() {
  const asked = useSearch({ from: "/in/framed/prepare" }).day ?? null;
  const day = useQuery(dayPreparationQuery(asked));
  if (day.error) return <ProblemNote error={day.error} onAgain={() => day.refetch()} />;
  if (!day.data) return <Waiting what={say.lookingUp} shape="columns" />;
  return (
    <>
      <h1 className="mt-2 text-4xl">{shared.prepareTheDay}</h1>
      <p className="text-lg text-quiet">{longDate(day.data.day)}</p>
      {day.data.sessions.length === 0 ? (
        <p className="mt-4">{say.nobodyComes}</p>
      ) : (
        <div className="mt-4 grid grid-cols-1 gap-x-12 gap-y-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,2fr)]">
          <div className="grid content-start gap-6">
            {asked === null && <HowAreYou checked={day.data.self_check} />}
            <InAll supplies={day.data.supplies} />
            <StockOf supplies={day.data.supplies} />
          </div>
          <div>
            {day.data.sessions.map((session) => (
              <OfSession key={session.session_id} session={session} timeZone={day.data.time_zone} />
            ))}
            {day.data.sessions.length > 0 && <EaseMyHands day={asked} />}
          </div>
        </div>
      )}
    </>
  );
}

/** What all sessions of the day take together. */
function InAll({ supplies }: { supplies: DayPreparation["supplies"] }) {
  const lines = [
    ...supplies.linen.map(({ words }) => capital(words)),
    ...supplies.lubricants.map(({ name, millilitres }) => `${capital(name)}: ${pouredWords(millilitres)}`),
    ...(supplies.hot_towels ? [say.towelsOfDay(supplies.hot_towels)] : []),
    ...(supplies.supports.length > 0 ? [say.reusable(listed(supplies.supports))] : []),
  ];
  return (
    <section aria-label={say.forTheDay}>
      <h2 className="text-2xl">{say.forTheDay}</h2>
      <ul className="mt-1 list-disc pl-5 marker:text-tide">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </section>
  );
}

/** One session of the day, opened to its things. */
function OfSession({ session, timeZone }: { session: Preparation; timeZone: string }) {
  const ticking = usePreparing();
  const done = session.items.filter(({ done_at }) => done_at !== null).length;
  const all = session.items.length;
  return (
    <details className="border-t border-base-300 last:border-b">
      <summary className="flex min-h-12 cursor-pointer flex-wrap items-baseline gap-x-4 py-2 text-lg">
        <span className="numbers">{timeOfDay(session.starts_at, timeZone)}</span>
        <span className="font-bold">{session.client_name}</span>
        <span className="ml-auto text-quiet">{done === all ? say.allReady : say.readyOf(done, all)}</span>
      </summary>
      {ticking.error && <p role="alert">{say.notSaved}</p>}
      <Things
        sessionId={session.session_id}
        items={session.items}
        timeZone={timeZone}
        onTick={(item, ready) => ticking.mutate({ sessionId: session.session_id, item, done: ready })}
      />
      <p className="pb-3">
        <Link
          to="/session/$sessionId/prepare"
          params={{ sessionId: session.session_id }}
          className="inline-flex min-h-11 items-center underline underline-offset-4"
        >
          {say.openSession(session.client_name)}
        </Link>
      </p>
    </details>
  );
}
