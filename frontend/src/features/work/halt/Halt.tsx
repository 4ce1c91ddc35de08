import { useState } from "react";
import { Button } from "../../../ui/Button";
import { Overlay } from "../Overlay";

const REASONS = ["Unwell or dizzy", "Sudden pain", "A stop sign came up", "The client wishes it"];

interface Props {
  onHalt(reason: string): void;
  onClose(): void;
}

/** Stopping for safety: what to do at once, and why it was, in one tap. */
export function Halt({ onHalt, onClose }: Props) {
  const [other, setOther] = useState("");
  return (
    <Overlay
      label="Stop the session"
      className="inset-0 flex flex-col justify-center gap-5 px-6 py-8 sm:px-16"
      onClose={onClose}
    >
      <h2 className="text-4xl">Hands still, then off.</h2>
      <p className="max-w-[60ch] text-xl">
        Cover the client and stay within reach. If they are faint, short of breath, confused, in sudden severe
        pain or weak on one side, call for help at once. You do not diagnose; local rules and their own
        clinician decide what comes next.
      </p>
      <p className="text-xl">Why does it end?</p>
      <div className="flex flex-wrap gap-3">
        {REASONS.map((reason) => (
          <Button look="warn" key={reason} className="h-20 px-8 text-2xl" onClick={() => onHalt(reason)}>
            {reason}
          </Button>
        ))}
      </div>
      <form
        className="flex flex-wrap gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          onHalt(other.trim());
        }}
      >
        <input
          className="input min-h-16 w-80 text-xl"
          aria-label="Another reason, in words"
          placeholder="Another reason"
          maxLength={400}
          value={other}
          onChange={(event) => setOther(event.target.value)}
        />
        <Button type="submit" className="min-h-16 px-6 text-xl">
          End it
        </Button>
        <Button look="quiet" className="min-h-16 px-6 text-xl" onClick={onClose}>
          Go on with the session
        </Button>
      </form>
    </Overlay>
  );
}
