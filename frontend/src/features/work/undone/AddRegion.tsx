import type { Entry, Extra } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/work/undone";
import { span } from "../../../phrases/time";
import { capital } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { Overlay } from "../../../ui/Overlay";

/** Seconds to which a time is told: nobody chooses by the second. */
const ROUNDED = 15;

interface Props {
  entry: Entry;
  extras: readonly Extra[];
  onAdd(extra: Extra): void;
  onClose(): void;
}

/** What can be added as the client lies now, within what they have agreed to: one tap, and it begins. */
export function AddRegion({ entry, extras, onAdd, onClose }: Props) {
  const catalogue = useCatalogue();
  const here = extras.filter(
    ({ position, region }) => position === entry.position && region !== entry.region,
  );
  return (
    <Overlay
      label={say.addRegion}
      className="inset-0 flex flex-col justify-center gap-5 overflow-y-auto px-6 py-8 sm:px-16"
      onClose={onClose}
    >
      <h2 className="text-4xl">{say.addRegionNow}</h2>
      <p className="text-xl">{here.length > 0 ? say.howAddingWorks : say.nothingCanBeAddedIn}</p>
      <div className="flex flex-wrap gap-3">
        {here.map((extra) => (
          <Button
            key={extra.region}
            className="h-20 flex-col gap-0 px-7 text-2xl"
            onClick={() => onAdd(extra)}
          >
            {capital(catalogue.regions[extra.region]?.whole ?? extra.region)}
            <span className="text-base font-normal text-quiet">
              about {span(Math.round(extra.seconds / ROUNDED) * ROUNDED)}
              {extra.sides.length > 1 && " each side"}
            </span>
          </Button>
        ))}
      </div>
      <Button look="quiet" className="min-h-16 self-start px-6 text-xl" onClick={onClose}>
        {say.goOnWithPlan}
      </Button>
    </Overlay>
  );
}
