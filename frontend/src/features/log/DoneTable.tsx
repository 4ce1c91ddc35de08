import type { RegionDone } from "../../api/client";
import { useCatalogue } from "../../api/useCatalogue";
import { say } from "../../phrases/screens/log";
import { clock, span } from "../../phrases/time";
import { capital, depthWord, spoken } from "../../phrases/words";

interface Props {
  done: readonly RegionDone[];
  /** What registers the depth field of a region; without it the depths are only read. */
  field?(region: string): object;
  read?(region: string): string;
}

/** Planned against done per region, and the depth that suited. */
export function DoneTable({ done, field, read }: Props) {
  const catalogue = useCatalogue();
  const longest = Math.max(1, ...done.map((region) => Math.max(region.planned, region.taken)));
  return (
    <table className="w-full">
      <caption className="mb-1 text-left font-serif text-xl">{say.byRegionBothSidesTogether}</caption>
      <thead className="text-left text-quiet">
        <tr>
          <th className="py-1 font-normal">Region</th>
          <th className="font-normal max-md:hidden desk:hidden">Planned, taken</th>
          <th className="font-normal">Time</th>
          <th className="font-normal desk:whitespace-nowrap">{say.depthThatSuited}</th>
        </tr>
      </thead>
      <tbody>
        {done.map((region) => {
          const name = catalogue.regions[region.region]?.whole ?? region.region;
          return (
            <tr key={region.region} className="border-t border-base-300">
              <th scope="row" className="py-0.5 pr-3 text-left leading-tight">
                {capital(name)}
              </th>
              <td className="w-1/6 pr-3 max-md:hidden desk:hidden">
                <Bars planned={region.planned / longest} taken={region.taken / longest} />
              </td>
              <td className="numbers pr-2 leading-tight whitespace-nowrap">
                <span className="block">
                  {clock(region.taken)}{" "}
                  <span className="text-quiet">{say.ofPlanned(clock(region.planned))}</span>
                </span>
                {beside(region) && (
                  <span className="block text-[0.9rem] whitespace-normal text-quiet">{beside(region)}</span>
                )}
              </td>
              <td className="w-30 overflow-x-clip px-1 py-px">
                {field ? (
                  <select
                    aria-label={say.depthThatSuitedIn(name)}
                    className="select h-11 w-full truncate px-2.5 pr-7 text-base"
                    {...field(region.region)}
                  >
                    <option value="">not known</option>
                    {[1, 2, 3, 4, 5].map((depth) => (
                      <option key={depth} value={depth}>
                        {depth}, {depthWord[depth]}
                      </option>
                    ))}
                  </select>
                ) : (
                  read?.(region.region)
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** What was said of it last, and how far it was from the plan. */
function beside(region: RegionDone): string {
  const said = region.last_word && say.said(spoken(region.last_word));
  return [said, off(region)].filter(Boolean).join(" · ");
}

/** How far it was from the plan; nothing where it went as planned. */
function off(region: RegionDone): string {
  const seconds = region.taken - region.planned;
  if (region.taken === 0) return "not worked";
  if (Math.abs(seconds) < 15) return "";
  return `${span(seconds)} ${seconds > 0 ? "longer" : "shorter"}`;
}

/** Two low tides: planned behind, taken in front. */
function Bars({ planned, taken }: { planned: number; taken: number }) {
  return (
    <svg viewBox="0 0 100 16" preserveAspectRatio="none" className="block h-7 w-full" aria-hidden="true">
      <path d={hill(planned, 15)} className="fill-tide-faint" />
      <path d={hill(taken, 9)} className="fill-tide" />
      <path
        d="M0 15.5h100"
        className="stroke-base-content"
        strokeWidth="1"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}

function hill(length: number, height: number): string {
  const end = Math.max(length * 100, 0.1);
  const shore = Math.min(4, end / 3);
  return `M0 15.5c${shore / 2} 0 ${shore / 2}-${height} ${shore}-${height}H${end - shore}c${shore / 2} 0 ${shore / 2} ${height} ${shore} ${height}z`;
}
