import { useEffect, useState } from "react";
import type { DeviceClock } from "./deviceClock";

/** The time of `clock` in ms since 1970, renewed every `every` ms. */
export function useNow(every: number, clock: DeviceClock): number {
  const [now, setNow] = useState(() => clock.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(clock.now()), every);
    return () => clearInterval(timer);
  }, [every, clock]);
  return now;
}
