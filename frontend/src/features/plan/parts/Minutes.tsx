import { useId, useState } from "react";
import { secondsTyped } from "../../../lib/typedTime";
import { say } from "../../../phrases/screens/plan/parts";
import { clock } from "../../../phrases/time";

/** Minutes of a part, typed: `4:30`, `4.5` or `270 s`. */
export function Minutes(props: { name: string; seconds: number; onSeconds(seconds: number): void }) {
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
        className="input numbers min-h-11 w-20 text-center"
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
