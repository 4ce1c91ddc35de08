import { useEffect, useRef } from "react";

interface Pace {
  /** Whether it goes on by itself. */
  advances: boolean;
  /** Which entry is being worked. */
  entry: number;
  /** Seconds it has. */
  seconds: number;
  /** Whether time stands still, or something lies over the stroke. */
  resting: boolean;
  on(): void;
}

/** Goes on by itself at the plan's pace, if that is wished, and keeps the screen awake. */
export function useHandsOff({ advances, entry, seconds, resting, on }: Pace) {
  const latest = useRef(on);
  latest.current = on;
  // biome-ignore lint/correctness/useExhaustiveDependencies: every entry has its own time
  useEffect(() => {
    if (!advances || resting || seconds <= 0) return;
    const timer = setTimeout(() => latest.current(), seconds * 1000);
    return () => clearTimeout(timer);
  }, [advances, resting, entry, seconds]);
  useAwake();
}

/** Keeps the screen awake while it is looked at, where the device can. */
function useAwake() {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const ask = async () => {
      if (document.visibilityState !== "visible" || !navigator.wakeLock) return;
      // A low battery may refuse it; the session goes on all the same.
      const asked = await navigator.wakeLock.request("screen").catch(() => null);
      if (gone) await asked?.release();
      else lock = asked;
    };
    ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      gone = true;
      document.removeEventListener("visibilitychange", ask);
      lock?.release();
    };
  }, []);
}
