import type { Brief, Offer } from "../../../api/client";
import { say } from "../../../phrases/screens/plan/brief";
import { Button } from "../../../ui/Button";

/** The smallest changes that would make a brief possible; each is one action. */
export function Offers({
  offers,
  onTake,
}: {
  offers: readonly Offer[];
  onTake(change: Partial<Brief>): void;
}) {
  if (offers.length === 0) return null;
  return (
    <section aria-label={say.whatWouldDo} className="my-3">
      <p className="font-bold">{say.anyOfTheseWouldDo}</p>
      <div className="mt-2 flex flex-wrap gap-2">
        {offers.map((offer) => (
          <Button key={offer.says} onClick={() => onTake(offer.change as Partial<Brief>)}>
            {offer.says}
          </Button>
        ))}
      </div>
    </section>
  );
}
