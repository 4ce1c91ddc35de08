import { useEffect } from "react";

interface Actions {
  on(): void;
  back(): void;
  say(word: "lighter" | "just_right" | "deeper"): void;
}

const WORDS: Record<string, "lighter" | "just_right" | "deeper"> = {
  "1": "lighter",
  "2": "just_right",
  "3": "deeper",
};
const ON = new Set([" ", "PageDown", "ArrowRight", "ArrowDown"]);
const BACK = new Set(["Backspace", "PageUp", "ArrowLeft", "ArrowUp"]);

/** Keys of the keyboard and of foot switches, which send the same codes. A held key counts once. */
export function useKeys({ on, back, say }: Actions) {
  useEffect(() => {
    function press(event: KeyboardEvent) {
      if (event.ctrlKey || event.altKey || event.metaKey) return;
      const word = WORDS[event.key];
      const focusedButton = event.key === " " && (event.target as HTMLElement).closest("button, a");
      if (focusedButton) return;
      if (!ON.has(event.key) && !BACK.has(event.key) && !word) return;
      event.preventDefault();
      if (event.repeat) return;
      if (word) say(word);
      else if (ON.has(event.key)) on();
      else back();
    }
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [on, back, say]);
}
