import type { MonthlyNumbers } from "../../api/client";
import { useCatalogue } from "../../api/useCatalogue";
import { say } from "../../phrases/screens/learn/numbers";
import { inHours, span } from "../../phrases/time";
import { capital } from "../../phrases/words";
import { monthName } from "./monthName";
import { Picture } from "./Picture";
import { add, apart, byRegion, type RegionRow } from "./regionRows";

const WORTH_SAYING = 60;
const [WIDE, HIGH] = [60, 24];

/** A row of swells for each region, one a month: filled as high as was taken, with the line of what was planned. */
export function MinutesByRegion({ numbers }: { numbers: MonthlyNumbers }) {
  const catalogue = useCatalogue();
  const begun = numbers.months.findIndex((month) => numbers.regions.some((cell) => cell.month === month));
  const months = numbers.months.slice(Math.max(begun, 0));
  const rows = byRegion(numbers.regions, months);
  const most = Math.max(
    60,
    ...rows.flatMap(({ cells }) => cells.flatMap((cell) => [cell.taken, cell.planned])),
  );
  const named = (row: RegionRow) => catalogue.regions[row.region]?.whole ?? row.region;
  const whole = add(rows);
  const over = rows.toSorted((a, b) => apart(b) - apart(a))[0];
  const under = rows.toSorted((a, b) => apart(a) - apart(b))[0];
  const sentence = say.minutesSay(
    inHours(whole.taken),
    inHours(whole.planned),
    over && apart(over) > WORTH_SAYING ? say.longerThanPlanned(named(over), span(apart(over))) : "",
    under && apart(under) < -WORTH_SAYING ? say.shorterThanPlanned(named(under), span(-apart(under))) : "",
  );
  return (
    <Picture title={say.regionsByMonth} sentence={sentence} part="regions">
      <table className="w-full table-fixed">
        <caption className="mb-1 text-left text-quiet">{say.outlineIsPlan}</caption>
        <thead>
          <tr className="text-quiet">
            <td className="w-28 sm:w-40" />
            {months.map((month) => (
              <th key={month} className="font-normal">
                {monthName(month, true)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.region} className="border-t border-base-300">
              <th className="py-1 pr-2 text-left align-bottom font-normal">{capital(named(row))}</th>
              {row.cells.map((cell, at) => (
                <td key={months[at]} className="px-0.5 align-bottom">
                  {cell.planned + cell.taken > 0 && (
                    <>
                      <SwellOf taken={cell.taken / most} planned={cell.planned / most} />
                      <span className="sr-only">{say.cell(span(cell.taken), span(cell.planned))}</span>
                    </>
                  )}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </Picture>
  );
}

/** Shares of the highest swell, 0 to 1. */
function SwellOf({ taken, planned }: { taken: number; planned: number }) {
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      className="block h-7 w-full"
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      <path d={`${wave(taken)} Z`} className="fill-tide" />
      <path
        d={wave(planned)}
        className="fill-none stroke-base-content [vector-effect:non-scaling-stroke]"
        strokeWidth={1.2}
      />
    </svg>
  );
}

function wave(share: number): string {
  const top = (HIGH - 1) * (1 - share) + 0.6;
  const foot = HIGH - 0.6;
  return `M 0 ${foot} C ${WIDE / 4} ${foot} ${WIDE / 4} ${top} ${WIDE / 2} ${top} S ${(3 * WIDE) / 4} ${foot} ${WIDE} ${foot}`;
}
