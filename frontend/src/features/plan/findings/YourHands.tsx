import type { SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/plan/findings";
import { capital } from "../../../phrases/words";

/** What the session asks of the therapist's own hands. */
export function YourHands({ evaluation }: { evaluation: SessionView["evaluation"] }) {
  const catalogue = useCatalogue();
  const { hands, verdicts, limits } = evaluation;
  const hardest = catalogue.strokes[hands.hardest ?? ""]?.name;
  return (
    <section aria-label={say.yourHands}>
      <h2 className="text-2xl">{say.yourHands}</h2>
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
