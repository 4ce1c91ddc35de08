import type { Place } from "../api/client";
import { say } from "../phrases/screens/meeting";
import { shared } from "../phrases/screens/shared";
import { capital, placeName } from "../phrases/words";
import { Button } from "../ui/Button";
import { type BodyNames, BodyPlan } from "./BodyPlan";
import { PlaceChoice } from "./PlaceChoice";
import { placeKey, togglePlace } from "./places";

interface Props {
  catalogue: BodyNames;
  /** The condition, as it is called where the question stands. */
  condition: string;
  /** Where it is, as far as that was told; none is nowhere that is worked. */
  places: readonly Place[] | null;
  /** How it is said that it is nowhere that is worked. */
  nowhere: string;
  /** How the two sides of the body are called, from behind and from before. */
  words?: readonly [string, string];
  onTheSide?: boolean;
  busy?: boolean;
  /** It stands right under the condition, which then need not be named again. */
  under?: boolean;
  onTell(places: Place[]): void;
}

/** "Where is it?", answered by pointing at a body, from a list, or with "nowhere". */
export function WhereIsIt(props: Props) {
  const { catalogue, condition, places, nowhere, words, onTheSide, busy, under, onTell } = props;
  const told = places ?? [];
  const toggle = ({ region, side, zone }: Place) =>
    onTell(togglePlace(told, { region, side, zone }, catalogue));
  return (
    <fieldset aria-label={say.whereIs(condition)} disabled={busy}>
      <legend className="font-bold">
        {places === null && (
          <span aria-hidden="true" className="text-accent">
            △{" "}
          </span>
        )}
        {under ? say.whereIsIt : say.whereIs(condition)}
      </legend>
      <div className="grid gap-x-6 gap-y-2 lg:grid-cols-[minmax(0,27rem)_minmax(0,1fr)]">
        <BodyPlan
          catalogue={catalogue}
          excluded={told}
          {...(words ? { words } : {})}
          {...(onTheSide ? { onTheSide } : {})}
          onPick={({ region, side }) => toggle({ region, side, zone: null })}
        />
        <div>
          <div className="flex flex-wrap items-center gap-2">
            <Button
              className="bg-base-300 aria-pressed:bg-primary aria-pressed:text-primary-content"
              aria-pressed={places !== null && places.length === 0}
              onClick={() => onTell([])}
            >
              {nowhere}
            </Button>
            <PlaceChoice
              label={say.orChooseWhere(condition)}
              place={null}
              catalogue={catalogue}
              zones={false}
              onPlace={(place) => place && toggle(place)}
            />
          </div>
          <ul className="mt-1">
            {told.map((place) => (
              <li key={placeKey(place, catalogue)} className="flex flex-wrap items-center gap-x-3">
                <span>{capital(placeName(place, catalogue))}</span>
                <Button
                  look="quiet"
                  aria-label={shared.remove(placeName(place, catalogue))}
                  onClick={() => toggle(place)}
                >
                  Remove
                </Button>
              </li>
            ))}
          </ul>
        </div>
      </div>
    </fieldset>
  );
}
