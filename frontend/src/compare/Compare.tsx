import type { Difference, Evaluation } from "../api/client";
import { useCatalogue } from "../api/useCatalogue";
import { keptWords } from "../phrases/plan/difference";
import { say } from "../phrases/screens/compare";
import { span } from "../phrases/time";
import { CompareTides } from "./CompareTides";
import { figuresOf, minutesByRegion } from "./figures";

interface Props {
  first: Evaluation;
  second: Evaluation;
  names: readonly [string, string];
  difference: Difference;
}

/** Two sessions over one another: their arcs, the minutes by region, and what else sets them apart. */
export function Compare({ first, second, names, difference }: Props) {
  const catalogue = useCatalogue();
  const name = (id: string) => catalogue.regions[id]?.whole ?? id;
  const regions = minutesByRegion(difference, name);
  const longest = Math.max(1, ...regions.map((one) => Math.max(one.first, one.second)));
  return (
    <div>
      <CompareTides first={first.sheet} second={second.sheet} names={names} />
      <div className="mt-5 grid gap-x-12 gap-y-6 lg:grid-cols-2">
        <table className="w-full">
          <caption className="pb-1 text-left font-serif text-lg">{say.minutesByRegion}</caption>
          <Head names={names} />
          <tbody>
            {regions.map((one) => (
              <tr key={one.region} className="border-t border-base-300">
                <th scope="row" className="py-1 pr-3 text-left font-normal">
                  {one.name}
                  <Bars first={one.first / longest} second={one.second / longest} />
                </th>
                <Cell bold={Math.abs(one.first - one.second) > 10}>{one.first ? span(one.first) : "–"}</Cell>
                <Cell bold={Math.abs(one.first - one.second) > 10}>
                  {one.second ? span(one.second) : "–"}
                </Cell>
              </tr>
            ))}
          </tbody>
        </table>
        <div>
          <table className="w-full">
            <caption className="pb-1 text-left font-serif text-lg">Other differences</caption>
            <Head names={names} />
            <tbody>
              {figuresOf(difference, first, second).map((figure) => (
                <tr key={figure.name} className="border-t border-base-300">
                  <th scope="row" className="py-1 pr-3 text-left font-normal">
                    {figure.name}
                  </th>
                  <Cell bold={figure.differs}>{figure.first}</Cell>
                  <Cell bold={figure.differs}>{figure.second}</Cell>
                </tr>
              ))}
            </tbody>
          </table>
          {keptWords(difference, name).map((words) => (
            <p key={words} className="mt-2">
              {words}
            </p>
          ))}
        </div>
      </div>
    </div>
  );
}

function Head({ names }: { names: readonly [string, string] }) {
  return (
    <thead>
      <tr>
        <td />
        {names.map((name) => (
          <th key={name} scope="col" className="pb-1 pl-3 text-right align-bottom text-quiet italic">
            {name}
          </th>
        ))}
      </tr>
    </thead>
  );
}

function Cell({ bold, children }: { bold: boolean; children: React.ReactNode }) {
  return (
    <td className={`numbers whitespace-nowrap py-1 pl-3 text-right ${bold ? "font-bold" : "text-quiet"}`}>
      {children}
    </td>
  );
}

/** How long both are, as two thin lines. */
function Bars({ first, second }: { first: number; second: number }) {
  return (
    <span aria-hidden="true" className="mt-0.5 block">
      <span className="block h-1 rounded-full bg-tide" style={{ width: `${100 * first}%` }} />
      <span className="mt-0.5 block border-t-2 border-accent" style={{ width: `${100 * second}%` }} />
    </span>
  );
}
