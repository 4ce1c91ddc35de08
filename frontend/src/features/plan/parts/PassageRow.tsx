import type { ReactNode } from "react";
import type { Entry, Part, WorkedPassage } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/plan/parts";
import { clock, span } from "../../../phrases/time";
import { capital, listed } from "../../../phrases/words";
import type { TideEditing } from "../../../tideline/hand/editing";
import { Button } from "../../../ui/Button";
import { Minutes } from "./Minutes";
import { transitionWords } from "./sequence";

interface Props {
  passage: WorkedPassage;
  parts: readonly Part[];
  /** What happens before its first part. */
  before: readonly Entry[];
  /** Whether any of it was set by hand. */
  byHand: boolean;
  open: boolean;
  onToggle(): void;
  editing: TideEditing | undefined;
  /** Its parts, shown once it is open. */
  children: ReactNode;
}

/** Parts that are worked as one, in one row; opened, its regions and what can be done to all of them together. */
export function PassageRow({ passage, parts, before, byHand, open, onToggle, editing, children }: Props) {
  const catalogue = useCatalogue();
  const side = parts.map((part) => part.side).find((one) => one === "left" || one === "right");
  const regions = [...new Set(parts.map(({ region }) => catalogue.regions[region]?.name ?? region))];
  return (
    <li>
      {before.length > 0 && (
        <p className="py-0.5 pl-14 text-[0.95rem] text-quiet">{transitionWords(before, catalogue)}</p>
      )}
      <Button
        look="shape"
        aria-expanded={open}
        onClick={onToggle}
        className="grid min-h-11 w-full grid-cols-[3rem_1fr_auto] items-baseline gap-x-2 rounded-field px-1 py-2 text-left hover:bg-base-200 aria-expanded:bg-base-200"
      >
        <span className="numbers text-right text-quiet">{clock(passage.start)}</span>
        <span>
          <span className="font-bold">{capital(passage.name)}</span>
          <span className="text-quiet">
            : {listed(regions)}
            {byHand && say.setByHand}
          </span>
        </span>
        <span className="numbers">{span(passage.seconds)}</span>
      </Button>
      {open && (
        <>
          {editing && (
            <div className="flex flex-wrap items-center gap-1 py-1 pl-14">
              <Minutes
                key={passage.seconds}
                name={passage.name}
                seconds={passage.seconds}
                onSeconds={(seconds) => editing.onReshapePassage(passage, seconds)}
              />
              <Button look="quiet" className="px-2.5" onClick={() => editing.onMovePassage(passage, -1)}>
                Earlier
              </Button>
              <Button look="quiet" className="px-2.5" onClick={() => editing.onMovePassage(passage, 1)}>
                Later
              </Button>
              {side && (
                <Button look="quiet" className="px-2.5" onClick={() => editing.onMirrorPassage(passage)}>
                  {say.sameOn(side === "left" ? "right" : "left")}
                </Button>
              )}
              <Button look="quiet" className="px-2.5" onClick={() => editing.onRemovePassage(passage)}>
                Remove
              </Button>
            </div>
          )}
          <ol className="ml-6 border-l border-base-300 pl-2 desk:ml-3">{children}</ol>
        </>
      )}
    </li>
  );
}
