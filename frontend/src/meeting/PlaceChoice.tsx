import type { Catalogue, Entry } from "../api/client";
import { say } from "../phrases/screens/meeting";
import { shared } from "../phrases/screens/shared";
import { capital, placeName, zoneName } from "../phrases/words";
import { placesToChoose } from "./places";

/** A place that is being chosen: a region's side, all of it or a zone. */
export interface ChosenPlace {
  region: string;
  side: Entry["side"];
  zone: string | null;
}

interface Props {
  label: string;
  place: ChosenPlace | null;
  catalogue: Pick<Catalogue, "regions">;
  /** Whether a zone of it may be chosen too. */
  zones?: boolean;
  /** The sides that may be chosen; all if not said. */
  sides?: readonly ChosenPlace["side"][];
  onPlace(place: ChosenPlace | null): void;
}

/** A place chosen from lists: the same as pointing at it, for keys. */
export function PlaceChoice({ label, place, catalogue, zones = true, sides, onPlace }: Props) {
  const within = catalogue.regions[place?.region ?? ""]?.zones ?? [];
  return (
    <>
      <select
        className="select min-h-11 w-auto max-w-full truncate"
        aria-label={label}
        value={place ? `${place.region} ${place.side}` : ""}
        onChange={(event) => {
          const [region = "", side = "mid"] = event.target.value.split(" ");
          onPlace(region ? { region, side: side as Entry["side"], zone: null } : null);
        }}
      >
        <option value="">{label}</option>
        {placesToChoose(catalogue)
          .filter(({ side }) => !sides || sides.includes(side))
          .map((one) => (
            <option key={one.region + one.side} value={`${one.region} ${one.side}`}>
              {capital(placeName(one, catalogue))}
            </option>
          ))}
      </select>
      {zones && place && (
        <select
          className="select min-h-11 w-auto max-w-full truncate"
          aria-label={say.allOfItOrZone}
          value={place.zone ?? ""}
          onChange={(event) => onPlace({ ...place, zone: event.target.value || null })}
        >
          <option value="">{shared.allOfIt}</option>
          {within.map((zone) => (
            <option key={zone} value={zone}>
              {capital(zoneName(zone, catalogue.regions[place.region]))}
            </option>
          ))}
        </select>
      )}
    </>
  );
}
