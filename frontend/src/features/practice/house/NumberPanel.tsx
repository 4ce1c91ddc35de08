import { useState } from "react";
import { say } from "../../../phrases/screens/practice";
import { Button } from "../../../ui/Button";
import type { HouseItem } from "./useItem";

interface Props {
  item: HouseItem;
  label: string;
  /** What the usual value reads like. */
  usual: string;
  /** Bounds of one number; none where several are typed, with commas. */
  bounds?: readonly [number, number] | undefined;
  onTake(after: string | null): void;
}

/** One number, or several, typed in place. */
export function NumberPanel({ item, label, usual, bounds, onTake }: Props) {
  const [typed, setTyped] = useState(item.now);
  const take = (after: string) => onTake(after === item.usual ? null : after);
  return (
    <form
      className="flex flex-wrap items-center gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        take(typed);
      }}
    >
      <label className="flex items-center gap-2">
        {label}
        <input
          {...(bounds
            ? { type: "number", min: bounds[0], max: bounds[1] }
            : { type: "text", inputMode: "text", maxLength: 40 })}
          className={`input min-h-11 ${bounds ? "w-28" : "w-44"}`}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </label>
      <Button look="main" type="submit">
        Save
      </Button>
      {item.now !== item.usual && <Button onClick={() => onTake(null)}>{say.asUsual(usual)}</Button>}
    </form>
  );
}
