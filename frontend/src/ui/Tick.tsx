/** A box to tick with its words, large enough for a thumb. */
export function Tick(props: { checked: boolean; words: string; soft?: boolean; onTick(on: boolean): void }) {
  return (
    <label
      className={`flex cursor-pointer items-center gap-4 ${props.soft ? "min-h-12 rounded-field bg-base-200 px-4 py-2 has-focus-visible:outline-3" : "min-h-11"}`}
    >
      <input
        type="checkbox"
        className="checkbox"
        checked={props.checked}
        onChange={(event) => props.onTick(event.target.checked)}
      />
      <span>{props.words}</span>
    </label>
  );
}
