import type { Problem } from "../../../api/client";

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
        △ {refusal.document.title} Your taps are kept on this device.
      </p>
    );
  if (!keeps)
    return (
      <p role="alert" className="relative z-20 px-8 text-xl text-accent">
        △ This browser keeps nothing: what is tapped reaches the server only while it is connected. Do not
        reload this page.
      </p>
    );
  if (unsent > 3)
    return <p className="relative z-20 px-8 text-lg text-quiet">Not connected: taps are kept here.</p>;
  if (footSwitchLost)
    return (
      <p className="relative z-20 px-8 text-lg text-quiet">
        The simulated foot switch cannot be reached: use keys or taps.
      </p>
    );
  return null;
}
