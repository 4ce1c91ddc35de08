/** The moment of a session that is being looked at: under the pointer, or played. Whoever shows it listens. */
import { useSyncExternalStore } from "react";
import type { Entry } from "../api/client";

export interface Pointed {
  get(): Entry | null;
  set(entry: Entry | null): void;
  listen(told: () => void): () => void;
}

/** A moment that can be set often without drawing anything anew but what listens to it. */
export function pointedMoment(): Pointed {
  let now: Entry | null = null;
  const listeners = new Set<() => void>();
  return {
    get: () => now,
    set(entry) {
      if (entry === now) return;
      now = entry;
      for (const told of listeners) told();
    },
    listen(told) {
      listeners.add(told);
      return () => listeners.delete(told);
    },
  };
}

export function usePointed(pointed: Pointed): Entry | null {
  return useSyncExternalStore(pointed.listen, pointed.get);
}
