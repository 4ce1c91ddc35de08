import { useState } from "react";
import { say } from "../../../phrases/screens/work/halt";
import { Button } from "../../../ui/Button";
import { Overlay } from "../../../ui/Overlay";

const REASONS = [say.unwellOrDizzy, "Sudden pain", say.stopSignCameUp, say.clientWishesIt];

interface Props {
  onHalt(reason: string): void;
  onClose(): void;
}

/** Stopping for safety: what to do at once, and why it was, in one tap. */
export function Halt({ onHalt, onClose }: Props) {
  const [other, setOther] = useState("");
  return (
    <Overlay
      label={say.stopSession}
      className="inset-0 flex flex-col gap-5 overflow-y-auto px-6 py-8 max-sm:gap-3 max-sm:py-5 sm:px-16"
      onClose={onClose}
    >
      <h2 className="mt-auto text-4xl max-sm:text-3xl">{say.handsStillThenOff}</h2>
      <p className="max-w-[60ch] text-xl">{say.whatToDoNow}</p>
      <p className="text-xl">{say.whyDoesItEnd}</p>
      <div className="flex flex-wrap gap-3">
        {REASONS.map((reason) => (
          <Button
            look="warn"
            key={reason}
            className="h-20 px-8 text-2xl max-sm:h-16 max-sm:px-5 max-sm:text-xl"
            onClick={() => onHalt(reason)}
          >
            {reason}
          </Button>
        ))}
      </div>
      <form
        className="mb-auto flex flex-wrap gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          onHalt(other.trim());
        }}
      >
        <input
          className="input min-h-16 w-80 text-xl"
          aria-label={say.anotherReasonInWords}
          placeholder="Another reason"
          maxLength={400}
          value={other}
          onChange={(event) => setOther(event.target.value)}
        />
        <Button type="submit" className="min-h-16 px-6 text-xl">
          End session
        </Button>
        <Button look="quiet" className="min-h-16 px-6 text-xl" onClick={onClose}>
          {say.goOnWithSession}
        </Button>
      </form>
    </Overlay>
  );
}
