import { Link } from "@tanstack/react-router";
import type { Day } from "../../api/client";
import { minuteOfDay, timeOfDay } from "../../phrases/time";
import { STAGE_PAGE, STAGE_WORDS } from "../../phrases/today";
import { SmallTide } from "../../tideline/SmallTide";
import { useWidth } from "../../ui/useWidth";

const HEIGHT = 118;

/** The day from morning to evening: each session a small tide at its hour. */
export function DayLine({ day }: { day: Day }) {
  const [ref, width] = useWidth<HTMLDivElement>(1100);
  const starts = day.sessions.map((session) => minuteOfDay(session.starts_at, day.time_zone));
  const ends = day.sessions.map((session, i) => (starts[i] ?? 0) + session.plan.flow.brief.booked_minutes);
  const first = Math.floor(Math.min(8 * 60, ...starts.map((start) => start - 30)) / 60) * 60;
  const last = Math.ceil(Math.max(18 * 60, ...ends.map((end) => end + 30)) / 60) * 60;
  const x = (minute: number) => ((minute - first) / (last - first)) * width;
  const every = width < 600 ? 3 : 1;
  const hours = Array.from({ length: (last - first) / 60 + 1 }, (_, i) => first / 60 + i).filter(
    (hour) => (hour - first / 60) % every === 0,
  );
  return (
    <section aria-label="The day" className="mt-6">
      <div ref={ref} className="relative" style={{ height: HEIGHT + 62 }}>
        <div
          className="absolute inset-x-0 border-t border-base-content/40"
          style={{ top: 28 + HEIGHT / 2 }}
        />
        {day.sessions.map((session, i) => {
          const left = x(starts[i] ?? 0);
          const wide = Math.max(x(ends[i] ?? 0) - left, 12);
          return (
            <Link
              key={session.session_id}
              to={`/session/$sessionId/${STAGE_PAGE[session.stage]}`}
              params={{ sessionId: session.session_id }}
              className="absolute top-0 block rounded-field hover:bg-base-200"
              style={{ left, width: wide }}
              aria-label={`${timeOfDay(session.starts_at, day.time_zone)} ${session.client.name}, ${STAGE_WORDS[session.stage]}`}
            >
              <span className="block h-7 truncate text-[0.95rem]">
                {width >= 900 ? session.client.name : ""}
              </span>
              <SmallTide sheet={session.evaluation.sheet} width={wide} height={HEIGHT} />
            </Link>
          );
        })}
        {hours.map((hour, i) => (
          <span
            key={hour}
            className={`numbers absolute text-[0.85rem] text-quiet ${i === 0 ? "" : i === hours.length - 1 ? "-translate-x-full" : "-translate-x-1/2"}`}
            style={{ left: x(hour * 60), top: HEIGHT + 36 }}
          >
            {String(hour).padStart(2, "0")}:00
          </span>
        ))}
      </div>
    </section>
  );
}
