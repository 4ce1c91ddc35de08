import type { Difference } from "../api/client";
import { useCatalogue } from "../api/useCatalogue";
import { changeLines, keptWords } from "../phrases/plan/difference";
import { say } from "../phrases/screens/compare";

/** What changes from the present plan to another, region by region. */
export function DifferenceList({ difference }: { difference: Difference }) {
  const catalogue = useCatalogue();
  const name = (id: string) => catalogue.regions[id]?.whole ?? id;
  const lines = changeLines(difference, name);
  return (
    <>
      {lines.length === 0 && <p>{say.nothingChangesMuch}</p>}
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 sm:gap-x-6">
        {lines.map(({ region, what }) => (
          <div key={region} className="col-span-2 grid grid-cols-subgrid">
            <dt className="font-bold">{region}</dt>
            <dd className="numbers">{what}</dd>
          </div>
        ))}
      </dl>
      {keptWords(difference, name).map((words) => (
        <p key={words} className="mt-1">
          {words}
        </p>
      ))}
    </>
  );
}
