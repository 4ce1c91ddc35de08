type Word = "lighter" | "just_right" | "deeper";

const PADS: { word: Word; name: string; mark: string }[] = [
  { word: "lighter", name: "Lighter", mark: "︿" },
  { word: "just_right", name: "Just right", mark: "—" },
  { word: "deeper", name: "Deeper", mark: "﹀" },
];

/** What the client says of the pressure, in one tap of a knuckle. The last word on this region stays marked. */
export function PressurePads(props: { disabled: boolean; last: Word | undefined; onSay(word: Word): void }) {
  return (
    <fieldset className="relative z-10 grid grid-cols-3 gap-3 px-3 pb-3 sm:gap-5 sm:px-8 sm:pb-6">
      <legend className="sr-only">What the client says of the pressure</legend>
      {PADS.map((pad, i) => (
        <button
          key={pad.word}
          type="button"
          disabled={props.disabled}
          aria-pressed={props.last === pad.word}
          aria-keyshortcuts={String(i + 1)}
          onClick={() => props.onSay(pad.word)}
          className="min-h-28 rounded-box border-2 border-base-content/30 bg-base-100/70 text-xl transition-colors duration-300 aria-pressed:border-primary aria-pressed:bg-base-300 disabled:opacity-35 sm:text-3xl"
        >
          {pad.name}
          <span className="block text-base text-quiet" aria-hidden="true">
            {props.last === pad.word ? "said" : pad.mark}
          </span>
        </button>
      ))}
    </fieldset>
  );
}
