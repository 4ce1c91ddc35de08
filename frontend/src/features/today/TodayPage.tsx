import { useQuery } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { useEffect } from "react";
import type { Day, SessionView } from "../../api/client";
import { catalogueQuery, dayQuery } from "../../api/queries";
import { sweepRuns } from "../../api/sweepRuns";
import { shared } from "../../phrases/screens/shared";
import { say } from "../../phrases/screens/today";
import { longDate, timeOfDay } from "../../phrases/time";
import { askedFor, daySentence, handsSentence, STAGE_PAGE, STAGE_WORDS } from "../../phrases/today";
import { SmallTide } from "../../tideline/SmallTide";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { DayLine } from "./DayLine";

/** The day along one line, and the one thing to do next. */
export function TodayPage() {
  const day = useQuery(dayQuery);
  useEffect(() => void sweepRuns().catch(() => undefined), []);
  if (day.error) return <ProblemNote error={day.error} onAgain={() => day.refetch()} />;
  if (!day.data) return <Waiting what={say.readingDay} />;
  return (
    <>
      <h1 className="mt-2 text-4xl">{longDate(day.data.day)}</h1>
      <p className="mt-1 text-lg text-quiet">{daySentence(day.data)}</p>
      {day.data.sessions.length === 0 ? <EmptyDay /> : <FullDay day={day.data} />}
    </>
  );
}

function EmptyDay() {
  return (
    <div className="mt-10 max-w-prose rounded-box bg-base-200 px-7 py-8">
      <h2 className="text-2xl">{say.stillWater}</h2>
      <p className="mt-2">{say.nothingBooked}</p>
    </div>
  );
}

function FullDay({ day }: { day: Day }) {
  const next = day.sessions.find((session) => session.session_id === day.next_action?.session_id);
  // Two sessions under way, in two rooms or by mistake: none of them is out of sight.
  const also = day.sessions.filter((session) => session.stage === "work" && session !== next);
  return (
    <>
      <DayLine day={day} />
      {next && <NextAction session={next} timeZone={day.time_zone} label="Next action" />}
      {also.map((session) => (
        <NextAction
          key={session.session_id}
          session={session}
          timeZone={day.time_zone}
          label={say.alsoUnderWay}
        />
      ))}
      <p className="mt-6 text-lg">{handsSentence(day.hands)}</p>
      <h2 className="mb-2 mt-8 text-2xl">{say.dayInOrder}</h2>
      <ol className="divide-y divide-base-300 border-y border-base-300">
        {day.sessions.map((session) => (
          <SessionRow key={session.session_id} session={session} timeZone={day.time_zone} />
        ))}
      </ol>
    </>
  );
}

const ACTION: Record<string, { heading: string; button: string; page: "plan" | "work" | "log" }> = {
  plan: { heading: "Next", button: say.lookAtPlan, page: "plan" },
  work: { heading: "Under way", button: say.goOnWorking, page: "work" },
  log: { heading: say.stillToLog, button: shared.logSession, page: "log" },
};

function NextAction(props: { session: SessionView; timeZone: string; label: string }) {
  const { session, timeZone, label } = props;
  const catalogue = useQuery(catalogueQuery).data;
  const action = ACTION[session.stage];
  if (!action) return null;
  return (
    <section
      aria-label={label}
      className="mt-6 grid gap-x-10 gap-y-4 rounded-box bg-base-200 px-6 py-6 sm:grid-cols-[1fr_auto] sm:items-center sm:px-8"
    >
      <div>
        <p className="text-quiet italic">
          {action.heading}, {timeOfDay(session.starts_at, timeZone)}
        </p>
        <h2 className="text-3xl">{session.client.name}</h2>
        <p className="mt-1">{askedFor(session.plan.flow.brief, catalogue)}</p>
        {session.client.know_first && (
          <p className="mt-1 font-bold">
            <span className="text-accent" aria-hidden="true">
              △{" "}
            </span>
            {session.client.know_first}
          </p>
        )}
      </div>
      <Link
        to={`/session/$sessionId/${action.page}`}
        params={{ sessionId: session.session_id }}
        className="btn btn-primary h-16 px-8 text-xl"
      >
        {action.button}
      </Link>
    </section>
  );
}

function SessionRow({ session, timeZone }: { session: SessionView; timeZone: string }) {
  const catalogue = useQuery(catalogueQuery).data;
  return (
    <li>
      <Link
        to={`/session/$sessionId/${STAGE_PAGE[session.stage]}`}
        params={{ sessionId: session.session_id }}
        className="grid min-h-16 grid-cols-[3.5rem_1fr] items-center gap-x-4 px-2 py-3 hover:bg-base-200 md:grid-cols-[3.5rem_minmax(11rem,16rem)_1fr_170px_8rem]"
      >
        <span className="numbers">{timeOfDay(session.starts_at, timeZone)}</span>
        <span className="text-lg font-bold">{session.client.name}</span>
        <span className="col-start-2 md:col-start-auto">{askedFor(session.plan.flow.brief, catalogue)}</span>
        <span className="hidden md:block">
          <SmallTide sheet={session.evaluation.sheet} width={170} height={44} />
        </span>
        <span className="col-start-2 text-quiet italic md:col-start-auto md:text-right">
          {session.stage === "plan" && session.unread_intake
            ? shared.intakeToRead
            : STAGE_WORDS[session.stage]}
        </span>
      </Link>
    </li>
  );
}
