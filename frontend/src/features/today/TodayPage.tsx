import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Link, useNavigate, useSearch } from "@tanstack/react-router";
import { useEffect, useRef, useState } from "react";
import type { Day } from "../../api/client";
import { dayQuery } from "../../api/dayQueries";
import { catalogueQuery } from "../../api/queries";
import { sweepRuns } from "../../api/sweepRuns";
import { shared } from "../../phrases/screens/shared";
import { say as sayImport } from "../../phrases/screens/today/calendarIn";
import { say } from "../../phrases/screens/today/page";
import { longDate } from "../../phrases/time";
import { daySentence, handsSentence } from "../../phrases/today";
import { Keys } from "../../ui/Keys";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { AddSession } from "./adding/AddSession";
import { BlockedTimes } from "./BlockedTimes";
import { Clashes } from "./Clashes";
import { MoveAsked } from "./changing/MoveAsked";
import { useMoving } from "./changing/useMoving";
import { DayStrip } from "./DayStrip";
import { DoneNote } from "./DoneNote";
import type { Done } from "./done";
import { FirstSteps } from "./FirstSteps";
import { DayLine } from "./line/DayLine";
import { NextAction } from "./NextAction";
import { SessionRow } from "./SessionRow";
import { useDayKeys } from "./useDayKeys";

/** Clashes of a day that are shown at once. */
const SHOWN = 3;

const KEYS: [string[], string][] = [
  [["[", "]"], say.keyDays],
  [["t"], say.keyToday],
  [["a"], say.keyAdd],
  [["Tab"], say.keySession],
  [["Shift", "←", "→"], say.keyMove],
  [["Alt", "←", "→"], say.keyDayOf],
  [[",", "."], say.keyLength],
];

/** A day along one line, today unless another is asked for: what is booked, what is free, what to do next. */
export function TodayPage() {
  const search = useSearch({ from: "/in/framed/" });
  const asked = search.day ?? null;
  const day = useQuery({ ...dayQuery(asked), placeholderData: keepPreviousData });
  // The words of what is booked are in it.
  const catalogue = useQuery(catalogueQuery);
  const navigate = useNavigate();
  const line = useRef<HTMLInputElement>(null);
  const [done, setDone] = useState<Done | null>(null);
  useDayKeys(day.data?.day, line);
  useEffect(() => void sweepRuns().catch(() => undefined), []);
  const error = day.error ?? catalogue.error;
  // With the server gone, what was read stays, and so does what is being typed.
  if (error && !(day.data && catalogue.data))
    return <ProblemNote error={error} onAgain={() => day.refetch()} />;
  if (!day.data || !catalogue.data) return <Waiting what={say.readingDay} shape="tide" />;
  const today = day.data.now.day;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h1 className="mt-2 text-4xl">{longDate(day.data.day)}</h1>
        <p className="mt-1 mr-auto text-lg text-quiet">{daySentence(day.data)}</p>
        <Keys keys={KEYS} />
      </div>
      <DayStrip day={day.data} />
      <AddSession
        key={[search.client, search.at, search.flow].join()}
        line={line}
        from={search}
        onBooked={async (booked, start) => {
          // The way to its plan is shown once the day is there: it would lead back to the day before that.
          await navigate({ to: "/", search: start.day === today ? {} : { day: start.day } });
          setDone(booked);
        }}
      />
      {error && <ProblemNote error={error} onAgain={() => day.refetch()} />}
      {done && <DoneNote done={done} onDone={setDone} />}
      {day.data.sessions.length + day.data.blocks.length > 0 && <FullDay day={day.data} onDone={setDone} />}
      <FirstSteps />
      {day.data.sessions.length === 0 && <EmptyDay />}
    </>
  );
}

function EmptyDay() {
  return (
    <div className="mt-8 max-w-prose rounded-box bg-base-200 px-7 py-6">
      <h2 className="text-2xl">{say.stillWater}</h2>
      <p className="mt-2">{say.nothingBooked}</p>
      <ImportCalendar />
    </div>
  );
}

function ImportCalendar() {
  return (
    <Link to="/calendar-in" className="mt-3 inline-flex min-h-11 items-center underline underline-offset-4">
      {sayImport.importCalendar}
    </Link>
  );
}

function FullDay({ day, onDone }: { day: Day; onDone(done: Done): void }) {
  const moving = useMoving(day.day, onDone);
  const next = day.sessions.find((session) => session.session_id === day.next_action?.session_id);
  // Two sessions under way, in two rooms or by mistake: none of them is out of sight.
  const also = day.sessions.filter((session) => session.stage === "work" && session !== next);
  return (
    <>
      <DayLine day={day} moving={moving} />
      <MoveAsked moving={moving} />
      {next && <NextAction session={next} timeZone={day.time_zone} label="Next action" />}
      {also.map((session) => (
        <NextAction
          key={session.session_id}
          session={session}
          timeZone={day.time_zone}
          label={say.alsoUnderWay}
        />
      ))}
      <DayClashes day={day} />
      {day.sessions.some(({ comes }) => comes) && (
        <p className="mt-6 flex flex-wrap items-center gap-x-6 text-lg">
          <span>{handsSentence(day.hands, day.day === day.now.day)}</span>
          {day.day >= day.now.day && (
            <Link
              to="/prepare"
              search={day.day === day.now.day ? {} : { day: day.day }}
              className="inline-flex min-h-11 items-center underline underline-offset-4"
            >
              {shared.prepareTheDay}
            </Link>
          )}
          <Link to="/numbers" className="inline-flex min-h-11 items-center underline underline-offset-4">
            {say.numbersOfMonths}
          </Link>
        </p>
      )}
      {day.sessions.length > 0 && (
        <>
          <h2 className="mb-2 mt-8 text-2xl">{say.dayInOrder}</h2>
          <ol className="divide-y divide-base-300 border-y border-base-300">
            {day.sessions.map((session) => (
              <SessionRow key={session.session_id} session={session} day={day} onDone={onDone} />
            ))}
          </ol>
        </>
      )}
      <BlockedTimes day={day} onDone={onDone} />
      {day.sessions.length > 0 && <ImportCalendar />}
    </>
  );
}

/** What of the day does not go together: the first of it, and the rest on demand. */
function DayClashes({ day }: { day: Day }) {
  const [first, rest] = [day.clashes.slice(0, SHOWN), day.clashes.slice(SHOWN)];
  // What is over can be put right no more.
  if (first.length === 0 || day.day < day.now.day) return null;
  return (
    <div className="mt-4">
      <Clashes clashes={first} label={say.doesNotFit} />
      {rest.length > 0 && (
        <details>
          <summary className="flex min-h-11 cursor-pointer items-center underline underline-offset-4">
            {say.moreDoesNotFit(rest.length)}
          </summary>
          <Clashes clashes={rest} />
        </details>
      )}
    </div>
  );
}
