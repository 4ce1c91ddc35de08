import type { Part } from "../../../api/client";
import { say } from "../../../phrases/screens/plan/parts";
import type { TideEditing } from "../../../tideline/hand/editing";
import { Button } from "../../../ui/Button";
import { Minutes } from "./Minutes";

interface Props {
  part: Part;
  name: string;
  seconds: number;
  editing: TideEditing;
  onRemove(whole: boolean): void;
}

/** What can be done to an opened part as a whole: its minutes by typing, its place, its other side. */
export function PartTools({ part, name, seconds, editing, onRemove }: Props) {
  return (
    <div className="flex flex-wrap items-center gap-1 py-1 pl-14 desk:pl-4">
      <Minutes
        key={seconds}
        name={name}
        seconds={seconds}
        onSeconds={(wanted) => editing.onReshape(part.id, wanted, false)}
      />
      <Button look="quiet" className="px-2.5" onClick={() => editing.onMove(part.id, -1)}>
        Earlier
      </Button>
      <Button look="quiet" className="px-2.5" onClick={() => editing.onMove(part.id, 1)}>
        Later
      </Button>
      {(part.side === "left" || part.side === "right") && (
        <Button look="quiet" className="px-2.5" onClick={() => editing.onMirror(part.id)}>
          {say.sameOn(part.side === "left" ? "right" : "left")}
        </Button>
      )}
      {part.steps.length > 1 && (
        <Button look="quiet" className="px-2.5" onClick={() => editing.onSplit(part.id)}>
          {say.splitInTwo}
        </Button>
      )}
      <Button look="quiet" className="px-2.5" onClick={() => onRemove(false)}>
        Remove
      </Button>
      {(part.side === "left" || part.side === "right") && (
        <Button look="quiet" className="px-2.5" onClick={() => editing.onLeaveSideOut(part.id)}>
          {say.leaveSideOut}
        </Button>
      )}
      <Button look="quiet" className="px-2.5" onClick={() => onRemove(true)}>
        {say.leaveRegionOut}
      </Button>
    </div>
  );
}
