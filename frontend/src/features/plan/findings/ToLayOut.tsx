import type { SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { packed, pouredWords } from "../../../phrases/measures";
import { say } from "../../../phrases/screens/plan/findings";
import { span } from "../../../phrases/time";
import { listed } from "../../../phrases/words";

/** What to lay out beforehand, where the oil goes, and how much of the client lies bare. */
export function ToLayOut({ evaluation }: { evaluation: SessionView["evaluation"] }) {
  const catalogue = useCatalogue();
  const { supplies, exposures } = evaluation;
  const most = [...supplies.by_region].sort((a, b) => b.millilitres - a.millilitres).slice(0, 3);
  const shares = most.map(
    (part) => `${catalogue.regions[part.region]?.whole ?? part.region} ${pouredWords(part.millilitres)}`,
  );
  const bare = exposures.reduce((sum, stretch) => sum + stretch.seconds, 0);
  return (
    <section aria-label={say.toLayOut}>
      <h2 className="text-2xl">{say.toLayOut}</h2>
      <ul className="mt-2 list-disc pl-5 marker:text-tide">
        {supplies.packing.map((line) => (
          <li key={line.words}>{packed(line)}</li>
        ))}
      </ul>
      {shares.length > 0 && <p className="mt-2 text-quiet">{say.mostOil(listed(shares))}</p>}
      {bare > 0 && (
        <p className="mt-2 text-quiet">
          {say.uncoveredFor(span(bare), Math.round(Math.max(...exposures.map((stretch) => stretch.percent))))}
        </p>
      )}
    </section>
  );
}
