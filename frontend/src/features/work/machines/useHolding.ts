import { useCallback, useEffect, useRef, useState } from "react";
import { api, body, type MachineState } from "../../../api/client";

/** Milliseconds between two words that the button is held: the table stops after half a second without one. */
const EVERY = 120;

/** Longer than this no word is waited for. */
const WAIT = 1_000;

/** A press of the button that moves the table: it tells so as long as it is held, and that it was let go. */
export function useHolding(beat: number | undefined, towards: number) {
  const [state, setState] = useState<MachineState | null>(null);
  const press = useRef("");

  const letGo = useCallback(() => {
    const ended = press.current;
    if (!ended) return;
    press.current = "";
    setState(null);
    // Also from a page that is being left.
    api
      .POST("/api/machines/lift_table/let-go", { body: { press: ended }, keepalive: true })
      .catch(() => undefined);
  }, []);

  async function hold() {
    const own = crypto.randomUUID();
    press.current = own;
    let answers = beat ?? 0;
    while (press.current === own) {
      try {
        const told = await body<MachineState>(
          api.POST("/api/machines/lift_table/hold", {
            body: { press: own, beat: answers, towards_cm: towards },
            signal: AbortSignal.timeout(WAIT),
          }),
        );
        if (press.current !== own) return;
        setState(told);
        if (told.trouble || !told.table) return letGo();
        answers = told.table.beat;
      } catch {
        return letGo();
      }
      await new Promise((go) => setTimeout(go, EVERY));
    }
  }

  useEffect(() => {
    const hidden = () => document.hidden && letGo();
    window.addEventListener("blur", letGo);
    document.addEventListener("visibilitychange", hidden);
    return () => {
      window.removeEventListener("blur", letGo);
      document.removeEventListener("visibilitychange", hidden);
      letGo();
    };
  }, [letGo]);
  return { state, hold: () => void hold(), letGo };
}
