import { useId, useState } from "react";
import type { Part } from "../../../api/client";
import { secondsTyped } from "../../../lib/typedTime";
import { say } from "../../../phrases/screens/plan/parts";
import { clock } from "../../../phrases/time";
import type { TideEditing } from "../../../tideline/TideLine";
import { Button } from "../../../ui/Button";

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
      <Button onClick={() => onRemove(false)}>Take away</Button>
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

/** Minutes of a part, typed: `4:30`, `4.5` or `270 s`. */
function Minutes(props: { name: string; seconds: number; onSeconds(seconds: number): void }) {
  const [typed, setTyped] = useState(clock(props.seconds));
  const [fault, setFault] = useState(false);
  const id = useId();
  function enter() {
    const wanted = secondsTyped(typed);
    if (wanted === null || wanted < 15 || wanted > 1800) return setFault(true);
    setFault(false);
    if (wanted !== props.seconds) props.onSeconds(wanted);
  }
  return (
    <span className="mr-2 flex flex-wrap items-center gap-2">
      <input
        className="input numbers min-h-11 w-24 text-center"
        inputMode="numeric"
        aria-label={say.minutes(props.name)}
        aria-invalid={fault}
        aria-describedby={fault ? id : undefined}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => event.key === "Enter" && enter()}
        onBlur={enter}
      />
      <span className="text-quiet">min</span>
      {fault && (
        <span id={id} role="alert" className="text-accent">
          {say.minutesRange}
        </span>
      )}
    </span>
  );
}
