import type { Day } from "../../../api/client";
import { minuteOf } from "../../../lib/days";
import { say } from "../../../phrases/screens/today/page";
import { stretch } from "../../../phrases/time";
import { useWidth } from "../../../ui/screen/useWidth";
import type { Moving } from "../changing/useMoving";
import { DaySession } from "./DaySession";
import { ABOVE, type DayScale, LINE_HEIGHT, scaleDay } from "./dayScale";
import { HandsLine } from "./HandsLine";
import { Sandbanks } from "./Sandbanks";

/** Pixels that a name of free water needs. */
const NAMED = 76;

/** The day from morning to evening: each session a small tide at its hour, the water between them free. */
export function DayLine({ day, moving }: { day: Day; moving: Moving }) {
  const [ref, width] = useWidth<HTMLDivElement>(1100);
  const scale = scaleDay(day, width);
  const come = day.sessions.filter(({ comes }) => comes);
  return (
    <section aria-label="The day" className="mt-4">
      <div ref={ref} className="relative" style={{ height: ABOVE + LINE_HEIGHT + 28 }}>
        {day.working.map(({ begins, ends }) => (
          <div
            key={begins}
            aria-hidden="true"
            className="absolute rounded-field bg-base-200/60"
            style={{
              left: scale.x(begins),
              width: scale.x(ends) - scale.x(begins),
              top: ABOVE,
              height: LINE_HEIGHT,
            }}
          />
        ))}
        <div
          className="absolute inset-x-0 border-t border-base-content/40"
          style={{ top: ABOVE + LINE_HEIGHT / 2 }}
        />
        <Sandbanks day={day} scale={scale} />
        <FreeWater day={day} scale={scale} />
        <HandsLine sessions={come} scale={scale} />
        {come.map((session) => (
          <DaySession
            key={session.session_id}
            session={session}
            day={day}
            scale={scale}
            wide={width >= 900}
            moving={moving}
          />
        ))}
        {day.day === day.now.day && <NowMark minute={minuteOf(day.now.at)} scale={scale} />}
        {scale.hours.map((minute, n) => (
          <span
            key={minute}
            className={`numbers absolute text-[0.85rem] text-quiet ${n === 0 ? "" : n === scale.hours.length - 1 ? "-translate-x-full" : "-translate-x-1/2"}`}
            style={{ left: scale.x(minute), top: ABOVE + LINE_HEIGHT + 4 }}
          >
            {String((minute / 60) % 24).padStart(2, "0")}:00
          </span>
        ))}
      </div>
    </section>
  );
}

/** The stretches in which nothing is booked, by their length. */
function FreeWater({ day, scale }: { day: Day; scale: DayScale }) {
  return day.free.map(({ begins, ends }) => {
    const width = scale.x(ends) - scale.x(begins);
    if (width < NAMED) return null;
    return (
      <span
        key={begins}
        className="absolute text-center text-[0.85rem] whitespace-nowrap text-quiet italic"
        style={{ left: scale.x(begins), width, top: ABOVE + LINE_HEIGHT / 2 + 4 }}
      >
        {say.free(stretch(ends - begins))}
      </span>
    );
  });
}

function NowMark({ minute, scale }: { minute: number; scale: DayScale }) {
  if (minute < scale.first || minute > scale.last) return null;
  return (
    <div
      className="pointer-events-none absolute border-l-2 border-accent"
      style={{ left: scale.x(minute), top: ABOVE - 6, height: LINE_HEIGHT + 12 }}
    >
      <span className="sr-only">{say.now}</span>
      <span aria-hidden="true" className="absolute -top-1 -left-[5px] size-2 rounded-full bg-accent" />
    </div>
  );
}
