import { useState } from "react";
import type { ClientRecord } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { type ChosenPlace, PlaceChoice } from "../../../meeting/PlaceChoice";
import { placeKey } from "../../../meeting/places";
import { say } from "../../../phrases/screens/clients/describing";
import { placeName } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { Remove } from "./Remove";

type Listed = ClientRecord["excluded"][number];

/** Places of a client, each to be removed, and another to be added; with a reason where there may be one. */
export function PlaceList(props: {
  label: string;
  places: readonly (Omit<Listed, "because"> & { because?: string })[];
  because?: boolean;
  onChange(places: Listed[]): void;
}) {
  const catalogue = useCatalogue();
  const [place, setPlace] = useState<ChosenPlace | null>(null);
  const [why, setWhy] = useState("");
  const { label, places } = props;
  const all = places as Listed[];
  return (
    <section aria-label={label}>
      <h3 className="text-lg">{label}</h3>
      <ul className="flex flex-wrap gap-2">
        {all.map((one) => (
          <li key={placeKey(one, catalogue)}>
            <Remove
              words={[placeName(one, catalogue), one.because].filter(Boolean).join(": ")}
              onRemove={() => props.onChange(all.filter((other) => other !== one))}
            />
          </li>
        ))}
      </ul>
      <div className="mt-1 flex flex-wrap gap-2">
        <PlaceChoice label={say.place(label)} place={place} catalogue={catalogue} onPlace={setPlace} />
        {place && props.because && (
          <input
            className="input min-h-11 w-40"
            aria-label="Reason"
            placeholder="Reason"
            maxLength={120}
            value={why}
            onChange={(event) => setWhy(event.target.value)}
          />
        )}
        {place && (
          <Button
            onClick={() => {
              const key = placeKey(place, catalogue);
              const rest = all.filter((one) => placeKey(one, catalogue) !== key);
              props.onChange([
                ...rest,
                (props.because ? { ...place, because: why.trim() } : place) as Listed,
              ]);
              setPlace(null);
              setWhy("");
            }}
          >
            Add
          </Button>
        )}
      </div>
    </section>
  );
}
