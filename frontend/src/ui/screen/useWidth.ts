import { type RefObject, useEffect, useRef, useState } from "react";

/** The width of an element in CSS pixels, as it changes; `first` until it is measured. */
export function useWidth<T extends Element>(first: number): [RefObject<T | null>, number] {
  const ref = useRef<T>(null);
  const [width, setWidth] = useState(first);
  useEffect(() => {
    if (!ref.current) return;
    const watch = new ResizeObserver(([entry]) => entry && setWidth(Math.round(entry.contentRect.width)));
    watch.observe(ref.current);
    return () => watch.disconnect();
  }, []);
  return [ref, width];
}
