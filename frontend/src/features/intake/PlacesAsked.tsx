import { useMemo } from "react";
import type { Entry, Excluded } from "../../api/client";
import { BodyPlan } from "../../meeting/BodyPlan";
import { PlaceChoice } from "../../meeting/PlaceChoice";
import { placeKey, togglePlace } from "../../meeting/places";
import { say } from "../../phrases/screens/intake";
import { shared } from "../../phrases/screens/shared";
import { capital, placeName } from "../../phrases/words";
import { Button } from "../../ui/Button";
import type { AskedProps } from "./question";

/** Places pointed at on a body, or chosen from a list; those not to be touched are hatched, those that ache shaded. */
export function PlacesAsked({ question, form, answers, onAnswer }: AskedProps) {
  const field = question.field as "tension" | "excluded";
  const off = field === "excluded";
  const places = useMemo(() => (answers[field] ?? []) as Excluded[], [answers, field]);
  const keyOf = (place: Excluded) => placeKey(place, form);
  const answer = (next: Excluded[]) => onAnswer({ [field]: next });
  function toggle(region: string, side: Entry["side"]) {
    const place = (off ? { region, side, because: "" } : { region, side }) as Excluded;
    answer(togglePlace(places, place, form));
  }
  const shaded = useMemo(
    () =>
      Object.fromEntries(
        places.flatMap(({ region, side = "both" }) =>
          (side === "both" ? ["left", "right", "mid"] : [side]).map((one) => [`${region} ${one}`, 0.75]),
        ),
      ),
    [places],
  );
  return (
    <div className="mt-2">
      <BodyPlan
        catalogue={form}
        {...(off ? { excluded: places } : { shaded })}
        pregnant={answers.pregnant === "yes"}
        words={[say.seenFromBehind, say.seenFromFront]}
        onPick={({ region, side }) => toggle(region, side)}
      />
      <ul className="mt-2 grid gap-2">
        {places.map((place) => (
          <li key={keyOf(place)} className="flex flex-wrap items-center gap-2">
            <span className="min-w-40 font-bold">{capital(placeName(place, form))}</span>
            {off && (
              <input
                className="input min-h-12 grow"
                aria-label={say.whyThere(placeName(place, form))}
                placeholder={shared.why}
                maxLength={120}
                value={place.because ?? ""}
                onChange={(event) =>
                  answer(places.map((one) => (one === place ? { ...one, because: event.target.value } : one)))
                }
              />
            )}
            <Button
              look="quiet"
              className="min-h-12"
              aria-label={shared.remove(placeName(place, form))}
              onClick={() => answer(places.filter((one) => one !== place))}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-2">
        <PlaceChoice
          label={off ? say.chooseAPlaceNotToTouch : say.chooseAPlaceOfTension}
          place={null}
          catalogue={form}
          zones={false}
          onPlace={(place) => place && toggle(place.region, place.side)}
        />
      </div>
    </div>
  );
}
