import { useEffect, useState } from "react";

/** A box to tick with its words, large enough for a thumb. It shows the tick at once, whoever is asked about it then. */
export function Tick(props: { checked: boolean; words: string; soft?: boolean; onTick(on: boolean): void }) {
  const [ticked, setTicked] = useState(props.checked);
  useEffect(() => setTicked(props.checked), [props.checked]);
  return (
    <label
      className={`flex cursor-pointer items-center gap-4 ${props.soft ? "min-h-12 rounded-field bg-base-200 px-4 py-2 has-focus-visible:outline-3" : "min-h-11"}`}
    >
      <input
        type="checkbox"
        className="checkbox"
        checked={ticked}
        onChange={(event) => {
          setTicked(event.target.checked);
          props.onTick(event.target.checked);
        }}
      />
      <span>{props.words}</span>
    </label>
  );
}
