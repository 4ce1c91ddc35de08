import type { AskedProps } from "./question";

/** What applies of a list; "none of these" is an answer of its own. */
export function Conditions({ question, form, answers, onAnswer }: AskedProps) {
  const heading = question.heading ?? "usual";
  const ticked = answers.conditions[heading];
  const answer = (ids: string[] | undefined) => {
    const { [heading]: _, ...others } = answers.conditions;
    onAnswer({ conditions: ids === undefined ? others : { ...others, [heading]: ids } });
  };
  return (
    <div className="mt-2 grid gap-1.5">
      {Object.values(form.conditions)
        .filter(({ asked }) => asked === heading)
        .map(({ id, asks }) => (
          <Tick
            key={id}
            words={asks}
            checked={ticked?.includes(id) ?? false}
            onTick={(on) => answer(on ? [...(ticked ?? []), id] : (ticked ?? []).filter((one) => one !== id))}
          />
        ))}
      <Tick
        words="None of these"
        checked={ticked !== undefined && ticked.length === 0}
        onTick={(on) => answer(on ? [] : undefined)}
      />
    </div>
  );
}

function Tick(props: { words: string; checked: boolean; onTick(on: boolean): void }) {
  return (
    <label className="flex min-h-12 cursor-pointer items-center gap-4 rounded-field bg-base-200 px-4 py-2 has-focus-visible:outline-3">
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
