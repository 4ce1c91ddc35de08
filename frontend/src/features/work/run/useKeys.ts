import { useLayoutEffect, useRef } from "react";
import type { Word } from "../said/PressurePads";

interface Actions {
  on(): void;
  back(): void;
  say(word: Word): void;
  point(): void;
  /** Whether something else is open that the keys belong to. */
  resting: boolean;
}

const WORDS: Record<string, Word> = {
  "1": "lighter",
  "2": "just_right",
  "3": "deeper",
};
const ON = new Set([" ", "PageDown", "ArrowRight", "ArrowDown"]);
const BACK = new Set(["Backspace", "PageUp", "ArrowLeft", "ArrowUp"]);

/** Keys of the keyboard and of foot switches, which send the same codes. A held key counts once. */
export function useKeys(actions: Actions) {
  const latest = useRef(actions);
  latest.current = actions;
  // Before anything is to be seen: whoever sees the stroke may press already.
  useLayoutEffect(() => {
    function press(event: KeyboardEvent) {
      if (event.ctrlKey || event.altKey || event.metaKey || latest.current.resting) return;
      const word = WORDS[event.key];
      const focusedButton =
        event.key === " " && event.target instanceof Element && event.target.closest("button, a");
      if (focusedButton) return;
      if (!ON.has(event.key) && !BACK.has(event.key) && !word && event.key !== "p") return;
      event.preventDefault();
      if (event.repeat) return;
      const { on, back, say, point } = latest.current;
      if (word) say(word);
      else if (event.key === "p") point();
      else if (ON.has(event.key)) on();
      else back();
    }
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, []);
}
