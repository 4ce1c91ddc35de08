import type { Part } from "../../../api/client";
import { say } from "../../../phrases/screens/plan/parts";
import type { TideEditing } from "../../../tideline/TideLine";
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
    <div className="flex flex-wrap items-center gap-x-2 gap-y-2 py-2 pl-14">
      <Minutes
        key={seconds}
        name={name}
        seconds={seconds}
        onSeconds={(wanted) => editing.onReshape(part.id, wanted, false)}
      />
      <Button onClick={() => editing.onMove(part.id, -1)}>Earlier</Button>
      <Button onClick={() => editing.onMove(part.id, 1)}>Later</Button>
      {(part.side === "left" || part.side === "right") && (
        <Button onClick={() => editing.onMirror(part.id)}>
          {say.sameOn(part.side === "left" ? "right" : "left")}
        </Button>
      )}
      {part.steps.length > 1 && <Button onClick={() => editing.onSplit(part.id)}>{say.splitInTwo}</Button>}
      <Button onClick={() => onRemove(false)}>Remove</Button>
      {(part.side === "left" || part.side === "right") && (
        <Button look="quiet" onClick={() => editing.onLeaveSideOut(part.id)}>
          {say.leaveSideOut}
        </Button>
      )}
      <Button look="quiet" onClick={() => onRemove(true)}>
        {say.leaveRegionOut}
      </Button>
    </div>
  );
}
