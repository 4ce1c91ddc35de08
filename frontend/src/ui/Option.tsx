/** One answer of several; large enough for a thumb. */
export function Option(props: { name: string; words: string; checked: boolean; onCheck(): void }) {
  return (
    <label className="flex min-h-12 cursor-pointer items-center gap-3 rounded-field bg-base-200 px-4 py-2 has-checked:bg-primary has-checked:text-primary-content has-focus-visible:outline-3">
      <input
        type="radio"
        className="radio radio-sm"
        name={props.name}
        checked={props.checked}
        onChange={props.onCheck}
      />
      {props.words}
    </label>
  );
}
