import type { KeyboardEvent } from "react";

/** Enter does `then`, and sends no form; without it, Enter does what it does. */
export function onEnterKey(then: (() => void) | undefined) {
  return (event: KeyboardEvent) => {
    if (event.key !== "Enter" || !then) return;
    event.preventDefault();
    then();
  };
}
