import { useEffect, useRef, useState } from "react";
import type { HouseItem } from "../useItem";

const STILL_MS = 400;

/**
 * What is being changed of something that is kept whole, as JSON: shown at once, kept once it has been still for a
 * moment or is left. What is refused stays on the screen.
 */
export function useDraft<T>(item: HouseItem, kept: T): [T, (next: T) => void] {
  const [draft, setDraft] = useState<T>();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const keepNow = useRef<() => void>(undefined);
  const { change } = item;
  useEffect(() => () => keepNow.current?.(), []);
  function put(next: T) {
    setDraft(next);
    clearTimeout(timer.current);
    keepNow.current = () => {
      keepNow.current = undefined;
      // A newer draft is not thrown away when an older one arrives.
      change(JSON.stringify(next), () => setDraft((now) => (now === next ? undefined : now)));
    };
    timer.current = setTimeout(() => keepNow.current?.(), STILL_MS);
  }
  return [draft ?? kept, put];
}
