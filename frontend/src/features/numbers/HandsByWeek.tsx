import type { MonthlyNumbers } from "../../api/client";
import { say } from "../../phrases/screens/learn/numbers";
import { longDate, span } from "../../phrases/time";
import { Picture } from "./Picture";

const HIGH = 120;

/** A post for each week of work, as high as the thumbs worked, with the line of what they can take. */
export function HandsByWeek({ hands }: { hands: MonthlyNumbers["hands"] }) {
  const most = Math.max(60, ...hands.flatMap((week) => [week.thumb_seconds, week.budget_seconds]));
  const over = hands.filter((week) => week.over).length;
  return (
    <Picture title={say.yourHands} sentence={say.handsSay(over, hands.length)} part="hands">
      <p className="text-quiet">{say.lineIsMost}</p>
      <ol className="mt-2 flex items-end gap-1 border-b border-base-content/40" style={{ height: HIGH }}>
        {hands.map((week) => (
          <li key={week.week} className="relative h-full max-w-10 flex-1">
            <span className="sr-only">
              {say.weekOf(longDate(week.week), span(week.thumb_seconds), span(week.budget_seconds))}
            </span>
            <span
              aria-hidden="true"
              className={`absolute bottom-0 w-full rounded-t-field ${week.over ? "bg-accent" : "bg-tide"}`}
              style={{ height: `${(100 * week.thumb_seconds) / most}%` }}
            />
            <span
              aria-hidden="true"
              className="absolute w-full border-t-2 border-base-content"
              style={{ bottom: `${(100 * week.budget_seconds) / most}%` }}
            />
          </li>
        ))}
      </ol>
    </Picture>
  );
}
