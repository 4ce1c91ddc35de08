import type { RunEvent } from "../../../api/client";
import { say } from "../../../phrases/screens/work/said";
import { Button } from "../../../ui/Button";

type Sign = Extract<RunEvent, { kind: "observed" }>["sign"];

const SIGNS: [Sign, string][] = [
  ["breath_held", "Breath held"],
  ["wince", "Wince"],
  ["redness", "Redness"],
  ["sleeping", "Sleeping"],
];

/** What the body says before the client does: one tap each. */
export function Signs(props: {
  disabled: boolean;
  onSee(sign: Sign): void;
  onPoint(): void;
  onSkip(): void;
  onSkipRegion(): void;
  /** The passage of which more is still to come, by name. */
  passage: string | undefined;
  onSkipPassage(): void;
}) {
  return (
    <fieldset className="relative z-10 flex gap-2 overflow-x-auto px-3 pt-1 pb-2 sm:justify-center">
      <legend className="sr-only">{say.whatBodySaysAndSkipping}</legend>
      <Button
        look="shape"
        className="min-h-12 shrink-0 rounded-field border border-accent/60 bg-base-100/70 px-4 text-lg disabled:opacity-35 sm:hidden"
        disabled={props.disabled}
        onClick={props.onPoint}
      >
        Sore point
      </Button>
      {SIGNS.map(([sign, words]) => (
        <Button
          look="shape"
          key={sign}
          className="min-h-12 shrink-0 rounded-field border border-base-content/30 bg-base-100/70 px-4 text-lg active:bg-base-300 disabled:opacity-35"
          disabled={props.disabled}
          onClick={() => props.onSee(sign)}
        >
          {words}
        </Button>
      ))}
      {(
        [
          [say.skipThisStroke, props.onSkip],
          [say.skipRegion, props.onSkipRegion],
          ...(props.passage ? [[say.skipPassage(props.passage), props.onSkipPassage] as const] : []),
        ] as const
      ).map(([words, skip]) => (
        <Button
          look="shape"
          key={words}
          className="min-h-12 shrink-0 rounded-field border border-base-content/30 bg-base-100/70 px-4 text-lg text-quiet disabled:opacity-35"
          disabled={props.disabled}
          onClick={skip}
        >
          {words}
        </Button>
      ))}
    </fieldset>
  );
}
