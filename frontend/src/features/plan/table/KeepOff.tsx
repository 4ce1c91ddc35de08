import { useState } from "react";
import type { Excluded, PlacesKeptOff, SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { type ChosenPlace, PlaceChoice } from "../../../meeting/PlaceChoice";
import { placeKey } from "../../../meeting/places";
import { say } from "../../../phrases/screens/plan/table";
import { shared } from "../../../phrases/screens/shared";
import { capital, placeName } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { Tick } from "../../../ui/Tick";

interface Props {
  session: SessionView;
  place: ChosenPlace | null;
  busy: boolean;
  onPlace(place: ChosenPlace | null): void;
  /** All places to keep off from now on: for good, and in this session alone. */
  onKeepOff(places: PlacesKeptOff): void;
}

/** Places to keep off: those there are, and one more, pointed at on the table plan or chosen here. */
export function KeepOff({ session, place, busy, onPlace, onKeepOff }: Props) {
  const catalogue = useCatalogue();
  const [because, setBecause] = useState("");
  const [only, setOnly] = useState(false);
  const lasting = session.client.excluded;
  const today = session.excluded_today ?? [];
  const own = new Set([...lasting, ...today].map((one) => placeKey(one, catalogue)));
  // A place of a condition goes with the condition: it is changed with the client's health.
  const conditions = (session.evaluation.restrictions.excluded ?? []).filter(
    (one) => !own.has(placeKey(one, catalogue)),
  );
  function add() {
    if (!place) return;
    const one = { ...place, because: because.trim() };
    onKeepOff(only ? { excluded: lasting, today: [...today, one] } : { excluded: [...lasting, one], today });
    setBecause("");
    onPlace(null);
  }
  const without = (gone: Excluded) => ({
    excluded: lasting.filter((one) => one !== gone),
    today: today.filter((one) => one !== gone),
  });
  const named = (one: Excluded) =>
    capital([placeName(one, catalogue), one.because].filter(Boolean).join(": "));
  return (
    <section aria-label="Keep off" className="mt-2 rounded-box bg-base-200 px-5 py-4">
      <p>{say.howToKeepOff}</p>
      <ul className="mt-1">
        {[...lasting, ...today].map((one) => (
          <li key={placeKey(one, catalogue)} className="flex flex-wrap items-center gap-x-3">
            <span>
              {named(one)}
              {today.includes(one) && <span className="text-quiet"> {say.onlyThisSession}</span>}
            </span>
            <Button
              look="quiet"
              aria-label={say.allowPlaceAgain(placeName(one, catalogue))}
              disabled={busy}
              onClick={() => onKeepOff(without(one))}
            >
              {say.allowAgain}
            </Button>
          </li>
        ))}
        {conditions.map((one) => (
          <li key={`${placeKey(one, catalogue)} ${one.because}`}>{named(one)}</li>
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <PlaceChoice label={say.placeToKeepOff} place={place} catalogue={catalogue} onPlace={onPlace} />
        <input
          className="input min-h-11 w-48"
          aria-label="Reason"
          placeholder="Reason"
          maxLength={120}
          value={because}
          onChange={(event) => setBecause(event.target.value)}
        />
        <Tick checked={only} words={say.onlyInThisSession} onTick={setOnly} />
        <Button className="bg-base-100" disabled={!place || busy} onClick={add}>
          {shared.keepOffIt}
        </Button>
      </div>
    </section>
  );
}
