import type { RunEvent } from "../../../api/client";
import { say } from "../../../phrases/screens/work/said";
import { Button } from "../../../ui/Button";

export type Word = Extract<RunEvent, { kind: "said" }>["word"];

/** The three words, and how high a swell stands for each. */
export const PADS: { word: Word; name: string; height: number }[] = [
  { word: "lighter", name: "Lighter", height: 5 },
  { word: "just_right", name: "Just right", height: 12 },
  { word: "deeper", name: "Deeper", height: 20 },
];

interface Props {
  disabled: boolean;
  last: Word | undefined;
  /** How many sore points there are in this region. */
  points: number;
  onSay(word: Word): void;
  onPoint(): void;
  /** Opens all else that may have happened. */
  onHappened(): void;
}

/** What the client says of the pressure, in one tap of a knuckle, and where it is sore. The last word stays marked. */
export function PressurePads(props: Props) {
  return (
    <fieldset className="relative z-10 grid grid-cols-6 gap-3 px-3 pb-3 sm:grid-cols-5 sm:gap-4 sm:px-8 sm:pb-6">
      <legend className="sr-only">{say.whatClientSaysOfPressure}</legend>
      {PADS.map((pad, i) => (
        <Button
          look="shape"
          key={pad.word}
          disabled={props.disabled}
          aria-pressed={props.last === pad.word}
          aria-keyshortcuts={String(i + 1)}
          onClick={() => props.onSay(pad.word)}
          className="col-span-2 min-h-28 rounded-box border-2 border-base-content/30 bg-base-100 text-xl sm:col-span-1 transition-colors duration-300 aria-pressed:border-primary aria-pressed:bg-base-300 disabled:opacity-35 sm:text-3xl"
        >
          {pad.name}
          <span className="mt-1 flex h-7 items-end justify-center text-base text-quiet" aria-hidden="true">
            {props.last === pad.word ? "said" : <Swell height={pad.height} />}
          </span>
        </Button>
      ))}
      <Button
        look="shape"
        disabled={props.disabled}
        aria-keyshortcuts="p"
        onClick={props.onPoint}
        className="col-span-3 min-h-16 rounded-box border-2 border-accent/60 bg-base-100 text-xl disabled:opacity-35 sm:col-span-1 sm:min-h-28 sm:text-3xl"
      >
        Sore point
        <span className="mt-1 flex items-end justify-center text-base text-quiet sm:h-7">
          {props.points > 0 ? say.here(props.points) : ""}
        </span>
      </Button>
      <Button
        look="shape"
        onClick={props.onHappened}
        className="col-span-3 min-h-16 rounded-box border-2 border-base-content/30 bg-base-100 text-xl sm:col-span-1 sm:min-h-28 sm:text-2xl"
      >
        {say.whatHappened}
      </Button>
    </fieldset>
  );
}

/** A swell as high as the word is deep. */
function Swell({ height }: { height: number }) {
  return (
    <svg width="64" height="22" aria-hidden="true">
      <path d={`M0 21.5c16 0 18-${height} 32-${height}s16 ${height} 32 ${height}z`} className="fill-tide" />
    </svg>
  );
}
