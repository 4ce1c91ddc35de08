import type { SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { span } from "../../../phrases/time";
import { capital, listed } from "../../../phrases/words";

interface Props {
  evaluation: SessionView["evaluation"];
}

/** What to lay out beforehand, and what the session asks of the therapist's own hands. */
export function SideNotes({ evaluation }: Props) {
  const catalogue = useCatalogue();
  const { supplies, hands, exposures, verdicts, limits } = evaluation;
  const most = [...supplies.by_region].sort((a, b) => b.millilitres - a.millilitres).slice(0, 3);
  const shares = most.map(
    (part) => `${catalogue.regions[part.region]?.whole ?? part.region} ${Math.round(part.millilitres)}`,
  );
  const hardest = catalogue.strokes[hands.hardest ?? ""]?.name;
  const bare = exposures.reduce((sum, stretch) => sum + stretch.seconds, 0);
  return (
    <section aria-label="To lay out">
      <h2 className="text-2xl">To lay out</h2>
      <ul className="mt-2 list-disc pl-5 marker:text-tide">
        {supplies.packing.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      {shares.length > 0 && <p className="mt-2 text-quiet">Most oil: {listed(shares)} ml.</p>}
      {bare > 0 && (
        <p className="mt-2 text-quiet">
          Uncovered for {span(bare)} in all, at most{" "}
          {Math.round(Math.max(...exposures.map((stretch) => stretch.percent)))} % of the skin at a time.
        </p>
      )}
      <h2 className="mt-6 text-2xl">Your hands</h2>
      <p className="mt-2">
        {verdicts.hands === "strained" ? "This session strains the hand" : "An easy session for the hand"}:
        strain index {hands.strain} of 10 at most, thumbs {Math.round(100 * hands.thumb_share)} % of the time,{" "}
        {Math.round(100 * limits.thumb_share)} % at most.
        {hardest && ` ${capital(hardest)} asks the most.`}
      </p>
      <p className="mt-2 text-quiet">
        The older index of 1995 gives {hands.strain_1995}: up to 3 is probably safe, from 7 on probably
        hazardous.
      </p>
    </section>
  );
}
