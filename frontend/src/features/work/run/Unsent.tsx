import type { Problem } from "../../../api/client";
import { say } from "../../../phrases/screens/work/run";

interface Props {
  refusal: Problem | null;
  unsent: number;
  keeps: boolean;
  footSwitchLost: boolean;
}

/** What the therapist should know of the taps: that they are refused, kept here, or cannot be kept. */
export function Unsent({ refusal, unsent, keeps, footSwitchLost }: Props) {
  if (refusal)
    return (
      <p role="alert" className="relative z-20 px-8 text-xl text-accent">
        {say.tapsKept(refusal.document.title)}
      </p>
    );
  if (!keeps)
    return (
      <p role="alert" className="relative z-20 px-8 text-xl text-accent">
        {say.browserKeepsNothing}
      </p>
    );
  if (unsent > 3) return <p className="relative z-20 px-8 text-lg text-quiet">{say.notConnected}</p>;
  if (footSwitchLost) return <p className="relative z-20 px-8 text-lg text-quiet">{say.noFootSwitch}</p>;
  return null;
}
