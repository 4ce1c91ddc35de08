import type { RunEvent } from "../../../api/client";
import { say } from "../../../phrases/screens/work/said";
import { say as undone } from "../../../phrases/screens/work/undone";
import { Button } from "../../../ui/Button";
import { Overlay } from "../../../ui/Overlay";

type Sign = Extract<RunEvent, { kind: "observed" }>["sign"];

const SIGNS: [Sign, string][] = [
  ["breath_held", "Breath held"],
  ["wince", "Wince"],
  ["redness", "Redness"],
  ["sleeping", "Sleeping"],
];

interface Props {
  /** Whether a part is worked of which something can be said. */
  working: boolean;
  onSee(sign: Sign): void;
  onPoint(): void;
  onSkip(): void;
  onSkipRegion(): void;
  /** The passage of which more is still to come, by name. */
  passage: string | undefined;
  onSkipPassage(): void;
  onAdd(): void;
  onClose(): void;
}

/** What the body says before the client does, what is skipped, what comes in: one tap of a knuckle each. */
export function Happened(props: Props) {
  const { working, passage, onClose } = props;
  return (
    <Overlay
      label={say.whatHappened}
      className="inset-0 flex flex-col justify-center gap-6 overflow-y-auto px-4 py-6 sm:px-12"
      onClose={onClose}
    >
      <h2 className="text-4xl">{say.whatHappened}</h2>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4 sm:gap-5">
        {SIGNS.map(([sign, words]) => (
          <Pad
            key={sign}
            words={words}
            disabled={!working}
            onTap={() => {
              onClose();
              props.onSee(sign);
            }}
          />
        ))}
        <Pad words="Sore point" disabled={!working} onTap={props.onPoint} />
        <Pad
          words={say.skipThisStroke}
          disabled={!working}
          onTap={() => {
            onClose();
            props.onSkip();
          }}
        />
        <Pad words={say.skipRegion} disabled={!working} onTap={props.onSkipRegion} />
        {passage && <Pad words={say.skipPassage(passage)} disabled={!working} onTap={props.onSkipPassage} />}
        <Pad words={undone.addRegion} onTap={props.onAdd} />
      </div>
      <Button look="quiet" className="min-h-16 self-start px-6 text-xl" onClick={onClose}>
        {say.nothingGoOn}
      </Button>
    </Overlay>
  );
}

function Pad({ words, disabled, onTap }: { words: string; disabled?: boolean; onTap(): void }) {
  return (
    <Button
      look="shape"
      disabled={disabled}
      onClick={onTap}
      className="min-h-24 rounded-box border-2 border-base-content/30 px-3 text-xl active:bg-base-300 disabled:opacity-35 sm:min-h-28 sm:text-2xl"
    >
      {words}
    </Button>
  );
}
