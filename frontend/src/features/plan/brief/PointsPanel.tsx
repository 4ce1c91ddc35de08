import { useRef, useState } from "react";
import type { Place } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { type ChosenPlace, PlaceChoice } from "../../../meeting/PlaceChoice";
import { placeKey } from "../../../meeting/places";
import { say } from "../../../phrases/screens/plan/brief";
import { shared } from "../../../phrases/screens/shared";
import { capital, placeName } from "../../../phrases/words";
import { Button } from "../../../ui/Button";

/** As many as a session may be planned with. */
const MOST = 6;

/** The sore points that have minutes of their own: each with its side, and its zone if it is known. */
export function PointsPanel({ points, onChange }: { points: Place[]; onChange(points: Place[]): void }) {
  const catalogue = useCatalogue();
  const [place, setPlace] = useState<ChosenPlace | null>(null);
  const panel = useRef<HTMLFieldSetElement>(null);
  // What was pressed goes, or can be pressed no more: the keys go on from the list.
  const keepFocus = () => panel.current?.querySelector<HTMLElement>("select, button")?.focus();
  const known = new Set(points.map((point) => placeKey(point, catalogue)));
  const addable = place && place.side !== "both" && !known.has(placeKey(place, catalogue));
  return (
    <fieldset ref={panel} className="max-w-[44ch]">
      <legend className="mb-1 font-bold">{say.whichPointsHaveTime}</legend>
      <p className="mb-2 text-quiet">{say.pointTakes}</p>
      <ul>
        {points.map((point) => (
          <li key={placeKey(point, catalogue)} className="flex min-h-11 items-center justify-between gap-3">
            {capital(placeName(point, catalogue))}
            <Button
              look="quiet"
              aria-label={shared.remove(placeName(point, catalogue))}
              onClick={() => {
                keepFocus();
                onChange(points.filter((other) => other !== point));
              }}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      {points.length < MOST && (
        <span className="flex flex-wrap gap-2">
          <PlaceChoice
            label={say.pointOnSide}
            place={place}
            catalogue={catalogue}
            onPlace={setPlace}
            sides={["left", "right", "mid"]}
          />
          <Button
            disabled={!addable}
            onClick={() => {
              keepFocus();
              if (place) onChange([...points, place]);
              setPlace(null);
            }}
          >
            {say.addPoint}
          </Button>
        </span>
      )}
    </fieldset>
  );
}
