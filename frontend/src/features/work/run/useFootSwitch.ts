import { useEffect, useState } from "react";
import { api, body, type Presses } from "../../../api/client";

/** How often the simulated foot switch is asked, in ms: a press is felt at once below a third of a second. */
const EVERY = 250;

/**
 * Turns the presses of the simulated foot switch into the keys that a real one sends, so that both go the same way.
 * True while it cannot be reached.
 */
export function useFootSwitch(listening: boolean): boolean {
  const [lost, setLost] = useState(false);
  useEffect(() => {
    if (!listening) return;
    let gone = false;
    let after: number | null = null;
    let timer = 0;
    const ask = async () => {
      try {
        const { presses, last } = await body<Presses>(
          api.GET("/api/devices/foot-switch/presses", {
            params: { query: after === null ? {} : { after } },
            signal: AbortSignal.timeout(4000),
          }),
        );
        if (gone) return;
        after = last;
        for (const { key } of presses) dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true }));
        setLost(false);
      } catch {
        if (!gone) setLost(true);
      }
      if (!gone) timer = window.setTimeout(ask, EVERY);
    };
    ask();
    return () => {
      gone = true;
      clearTimeout(timer);
      setLost(false);
    };
  }, [listening]);
  return lost;
}
