import { Link, useNavigate } from "@tanstack/react-router";
import { useState } from "react";
import type { Day, DayMark } from "../../api/client";
import { findDay } from "../../api/dayQueries";
import { say } from "../../phrases/screens/today/page";
import { dayInWords, stretch } from "../../phrases/time";

/** Minutes that fill a day's mark to the brim. */
const FULL = 8 * 60;

/** Yesterday, today and the week ahead, or the days about one that is further away, each with as much water as it has booked; and a day by its name. */
export function DayStrip({ day }: { day: Day }) {
  return (
    <nav aria-label={say.theDays} className="mt-3 flex items-stretch gap-1 overflow-x-auto">
      {day.strip.map((mark) => (
        <DayLink key={mark.day} mark={mark} chosen={mark.day === day.day} today={mark.day === day.now.day} />
      ))}
      <GoToDay />
    </nav>
  );
}

function DayLink({ mark, chosen, today }: { mark: DayMark; chosen: boolean; today: boolean }) {
  // Days beside one another need no year.
  const words = dayInWords(mark.day, new Date(mark.day));
  const booked = mark.sessions === 0 ? "" : `${mark.sessions} · ${stretch(mark.minutes)}`;
  return (
    <Link
      to="/"
      search={today ? {} : { day: mark.day }}
      data-day={mark.day}
      aria-current={chosen ? "date" : undefined}
      className={`relative flex min-h-14 min-w-[6.4rem] flex-1 whitespace-nowrap flex-col justify-center overflow-hidden rounded-field px-2 py-1 ${
        chosen ? "bg-base-300 font-bold" : "bg-base-200 hover:bg-base-300"
      }`}
    >
      <span
        aria-hidden="true"
        className="absolute inset-x-0 bottom-0 bg-tide-faint"
        style={{ height: `${Math.min(1, mark.minutes / FULL) * 100}%` }}
      />
      <span className="relative">{today ? "Today" : words}</span>
      <span className={`numbers relative text-[0.85rem] font-normal ${booked || chosen ? "" : "text-quiet"}`}>
        {booked || (mark.works ? "free" : say.dayOff)}
      </span>
    </Link>
  );
}

function GoToDay() {
  const navigate = useNavigate();
  const [typed, setTyped] = useState("");
  const [lost, setLost] = useState(false);
  return (
    <form
      className="relative flex shrink-0 items-center"
      onSubmit={async (event) => {
        event.preventDefault();
        const found = await findDay(typed).catch(() => null);
        setLost(found === null);
        if (!found) return;
        setTyped("");
        navigate({ to: "/", search: { day: found } });
      }}
    >
      <input
        className="input min-h-14 w-32"
        aria-label={say.goToDay}
        aria-invalid={lost}
        placeholder={say.goToDayHint}
        title={lost ? say.noSuchDay : say.goToDay}
        maxLength={60}
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          setLost(false);
        }}
      />
      {lost && (
        <span role="alert" className="sr-only">
          {say.noSuchDay}
        </span>
      )}
    </form>
  );
}
