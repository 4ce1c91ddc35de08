import type { SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/plan/findings";
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
    <section aria-label={say.toLayOut}>
      <h2 className="text-2xl">{say.toLayOut}</h2>
      <ul className="mt-2 list-disc pl-5 marker:text-tide">
        {supplies.packing.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      {shares.length > 0 && <p className="mt-2 text-quiet">{say.mostOilMl(listed(shares))}</p>}
      {bare > 0 && (
        <p className="mt-2 text-quiet">
          {say.uncoveredFor(span(bare), Math.round(Math.max(...exposures.map((stretch) => stretch.percent))))}
        </p>
      )}
      <h2 className="mt-6 text-2xl">Your hands</h2>
      <p className="mt-2">
        {verdicts.hands === "strained" ? say.thisSessionStrainsHand : say.easySessionForHand}: strain index{" "}
        {hands.strain} {say.ofTenThumbs} {Math.round(100 * hands.thumb_share)} {say.percentOfTheTime}{" "}
        {Math.round(100 * limits.thumb_share)} {say.percentAtMost}
        {hardest && say.asksMost(capital(hardest))}
      </p>
      <p className="mt-2 text-quiet">{say.olderIndex(hands.strain_1995)}</p>
    </section>
  );
}
