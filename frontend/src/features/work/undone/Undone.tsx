import { useState } from "react";
import type { Catalogue, Entry } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { shared } from "../../../phrases/screens/shared";
import { say } from "../../../phrases/screens/work/undone";
import { cueFor } from "../../../phrases/table/cues";
import { capital, listed, sided } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { Overlay } from "../../../ui/Overlay";

interface Props {
  /** The entries that are owed in the part that is being left. */
  entries: readonly Entry[];
  onNow(): void;
  onLater(): void;
  onWaive(reason: string): void;
}

/** What is undone is named before the cover goes back: done now, later, or left out. */
export function Undone({ entries, onNow, onLater, onWaive }: Props) {
  const catalogue = useCatalogue();
  const [reason, setReason] = useState("");
  return (
    <Overlay
      label={say.leftUndoneHere}
      className="inset-x-0 bottom-0 grid gap-4 border-t border-base-300 px-6 py-6 sm:px-16"
      onClose={onLater}
    >
      <h2 className="text-3xl">{say.beforeCoverGoesBack}</h2>
      <p className="text-2xl">
        {say.leftUndoneAloud} <span className="font-bold">{namesOf(catalogue, entries)}</span>.
      </p>
      <div className="flex flex-wrap gap-3">
        <Button look="main" className="h-20 px-8 text-2xl" onClick={onNow}>
          {say.doItNow}
        </Button>
        <Button className="h-20 px-8 text-2xl" onClick={onLater}>
          Later
        </Button>
        <form
          className="flex flex-wrap gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            onWaive(reason.trim() || "left out");
          }}
        >
          <input
            className="input h-20 w-60 text-xl"
            aria-label={say.whyItIsLeftOut}
            placeholder={shared.why}
            maxLength={400}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
          <Button type="submit" className="h-20 px-8 text-2xl">
            {shared.leaveItOut}
          </Button>
        </form>
      </div>
    </Overlay>
  );
}

/** More strokes than this are counted, not named. */
const NAMED = 6;

/** `Kneading, back and stripping, back`; of many `12 strokes on right hip and right thigh`. */
export function namesOf(catalogue: Catalogue, entries: readonly Entry[]): string {
  if (entries.length > NAMED) {
    const places = entries.map(({ region: id, side }) => {
      const region = catalogue.regions[id];
      return region ? sided(region, side) : id;
    });
    return say.manyStrokes(entries.length, listed([...new Set(places)]));
  }
  const cues = entries.map((entry) => cueFor(entry, catalogue));
  return capital(listed(cues.map(({ name, place }) => `${name.toLowerCase()}, ${place.toLowerCase()}`)));
}
