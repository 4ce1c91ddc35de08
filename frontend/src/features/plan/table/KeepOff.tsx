import { useState } from "react";
import type { Excluded } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { type ChosenPlace, PlaceChoice } from "../../../meeting/PlaceChoice";
import { say } from "../../../phrases/screens/plan/table";
import { shared } from "../../../phrases/screens/shared";
import { capital, placeName } from "../../../phrases/words";
import { Button } from "../../../ui/Button";

interface Props {
  excluded: readonly Excluded[];
  place: ChosenPlace | null;
  busy: boolean;
  onPlace(place: ChosenPlace | null): void;
  /** All places to keep off from now on. */
  onKeepOff(excluded: Excluded[]): void;
}

/** Places to keep off: those there are, and one more, pointed at on the table plan or chosen here. */
export function KeepOff({ excluded, place, busy, onPlace, onKeepOff }: Props) {
  const catalogue = useCatalogue();
  const [because, setBecause] = useState("");
  function add() {
    if (!place) return;
    onKeepOff([...excluded, { ...place, because: because.trim() }]);
    setBecause("");
    onPlace(null);
  }
  return (
    <section aria-label="Keep off" className="mt-2 rounded-box bg-base-200 px-5 py-4">
      <p>{say.howToKeepOff}</p>
      <ul className="mt-1">
        {excluded.map((one, index) => (
          <li key={placeName(one, catalogue)} className="flex flex-wrap items-center gap-x-3">
            <span>
              {capital(placeName(one, catalogue))}
              {one.because && `: ${one.because}`}
            </span>
            <Button
              look="quiet"
              aria-label={say.allowPlaceAgain(placeName(one, catalogue))}
              disabled={busy}
              onClick={() => onKeepOff(excluded.filter((_, other) => other !== index))}
            >
              {say.allowAgain}
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <PlaceChoice label={say.placeToKeepOff} place={place} catalogue={catalogue} onPlace={onPlace} />
        <input
          className="input min-h-11 w-48"
          aria-label="Because"
          placeholder="Because …"
          maxLength={120}
          value={because}
          onChange={(event) => setBecause(event.target.value)}
        />
        <Button className="bg-base-100" disabled={!place || busy} onClick={add}>
          {shared.keepOffIt}
        </Button>
      </div>
    </section>
  );
}
