import type { HouseView } from "../../../api/client";
import { say } from "../../../phrases/screens/practice";
import { shortDay } from "../../../phrases/time";
import { Button } from "../../../ui/Button";

/** Who changed something last, when, and the way back. */
export function LastChange(props: {
  change: HouseView["changes"][string];
  timeZone: string;
  told: boolean;
  onUndo: ((before: string | null) => void) | undefined;
}) {
  const { change, timeZone, told, onUndo } = props;
  return (
    <p role="status" className="flex flex-wrap items-center gap-x-2 text-quiet">
      {told && `${change.says}.`}{" "}
      {say.changedBy(change.person_name, shortDay(change.at, timeZone, new Date()))}
      {onUndo && (
        <Button
          look="quiet"
          className="px-2 font-normal underline underline-offset-4"
          aria-label={say.undoChange(change.says)}
          onClick={() => onUndo(change.before)}
        >
          Undo
        </Button>
      )}
    </p>
  );
}
