import type { Catalogue, SessionView } from "../../api/client";
import { capital, listed } from "../../lib/words";

interface Props {
  evaluation: SessionView["evaluation"];
  catalogue: Catalogue;
}

/** What to lay out beforehand, and what the session asks of the therapist's own hands. */
export function SideNotes({ evaluation, catalogue }: Props) {
  const { supplies, hands } = evaluation;
  const most = [...supplies.by_region].sort((a, b) => b.millilitres - a.millilitres).slice(0, 3);
  const shares = most.map(
    (part) => `${catalogue.regions[part.region]?.whole ?? part.region} ${Math.round(part.millilitres)}`,
  );
  const hardest = catalogue.strokes[hands.hardest ?? ""]?.name;
  return (
    <section aria-label="To lay out" className="mt-8">
      <h2 className="text-2xl">To lay out</h2>
      <p className="mt-2">
        {capital(listed(supplies.linen))}; about {Math.round(supplies.millilitres)} ml of oil, warmed
        {shares.length > 0 && ` (${listed(shares)} ml the most)`}.
      </p>
      <h2 className="mt-6 text-2xl">Your hands</h2>
      <p className="mt-2">
        {hands.hazardous ? "This session strains the hand" : "An easy session for the hand"}: strain index{" "}
        {hands.strain} of 10 at most, thumbs {Math.round(100 * hands.thumb_share)} % of the time, 15 % at
        most.
        {hardest && ` ${capital(hardest)} asks the most.`}
      </p>
    </section>
  );
}
