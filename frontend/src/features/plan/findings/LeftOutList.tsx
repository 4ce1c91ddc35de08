import type { LeftOut, SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { decimal } from "../../../phrases/measures";
import { whyLeftOut } from "../../../phrases/plan/reasons";
import { say } from "../../../phrases/screens/plan/findings";
import { capital, listed } from "../../../phrases/words";
import { Button } from "../../../ui/Button";

interface Props {
  leftOut: readonly LeftOut[];
  proof: SessionView["plan"]["proof"];
  school: string;
  /** Shows what asking for a region would come to. */
  onFocus: ((words: string, region: string) => void) | undefined;
  asking: boolean;
  onAllow: ((region: string) => void) | undefined;
}

/** What the plan does not work, why, and how to have it all the same. */
export function LeftOutList({ leftOut, proof, school, onFocus, asking, onAllow }: Props) {
  const catalogue = useCatalogue();
  const name = (id: string) => catalogue.regions[id]?.whole ?? id;
  // What a school has no place for says the same of each: one line for all.
  const elsewhere = leftOut
    .filter(({ reason }) => reason === "not_in_school")
    .map(({ region }) => name(region));
  const told = leftOut.filter(({ reason }) => reason !== "not_in_school");
  return (
    <section aria-label="Left out">
      <h2 className="text-2xl">{say.leftOutAndWhy}</h2>
      {leftOut.length === 0 && <p className="mt-2">{say.nothingLeftOut}</p>}
      <ul className="mt-2 divide-y divide-base-300">
        {told.map((left) => (
          <li key={left.region} className="py-3">
            <p className="font-bold">{capital(name(left.region))}</p>
            <p>{whyLeftOut(left, name)}</p>
            {left.reason === "no_time" && onFocus && (
              <Button
                look="quiet"
                className="mt-1"
                disabled={asking}
                onClick={() => onFocus(say.askFor(name(left.region)), left.region)}
              >
                {say.askFor(name(left.region))}
              </Button>
            )}
            {left.reason === "wish" && onAllow && (
              <Button look="quiet" className="mt-1" onClick={() => onAllow(left.region)}>
                {say.allowAgain(name(left.region))}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {elsewhere.length > 0 && <p className="mt-3">{say.noPlaceInSchool(listed(elsewhere))}</p>}
      <p className="mt-4 text-quiet">
        School: {school}.
        {proof && proof.bound > proof.value + 1e-6
          ? say.timeRanOut(decimal(100 * (proof.bound / proof.value - 1)))
          : proof && say.provenBest(proof.sets_priced)}
      </p>
    </section>
  );
}
