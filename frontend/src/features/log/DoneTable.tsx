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
      <caption className="mb-2 text-left font-serif text-2xl">{say.byRegionBothSidesTogether}</caption>
      <thead className="text-left text-quiet">
        <tr>
          <th className="py-1 font-normal">Region</th>
          <th className="font-normal max-md:hidden">Planned, taken</th>
          <th className="font-normal">Time</th>
          <th className="font-normal">{say.depthThatSuited}</th>
        </tr>
      </thead>
      <tbody>
        {done.map((region) => {
          const name = catalogue.regions[region.region]?.whole ?? region.region;
          return (
            <tr key={region.region} className="border-t border-base-300">
              <th scope="row" className="py-2 pr-3 text-left">
                {capital(name)}
              </th>
              <td className="w-1/4 pr-4 max-md:hidden">
                <Bars planned={region.planned / longest} taken={region.taken / longest} />
              </td>
              <td className="numbers pr-3">
                <span className="block">
                  {clock(region.taken)}{" "}
                  <span className="text-quiet">{say.ofPlanned(clock(region.planned))}</span>
                </span>
                <span className="block text-[0.9rem] text-quiet">{difference(region)}</span>
              </td>
              <td className="overflow-x-clip p-1">
                {field ? (
                  <select
                    aria-label={say.depthThatSuitedIn(name)}
                    className="select h-11 w-full truncate pr-7 text-base"
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
                {region.last_word && (
                  <span className="block text-[0.9rem] text-quiet">{say.said(spoken(region.last_word))}</span>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function difference(region: RegionDone): string {
  const off = region.taken - region.planned;
  if (region.taken === 0) return "not worked";
  if (Math.abs(off) < 15) return "as planned";
  return `${span(off)} ${off > 0 ? "longer" : "shorter"}`;
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
