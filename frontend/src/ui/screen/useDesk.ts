import { type RefObject, useLayoutEffect, useRef, useState } from "react";

/** A screen on which a whole page of work is seen at once; the same as the variant `desk` of styles.css. */
const DESK = "(min-width: 72rem) and (min-height: 44rem)";

/** Whether the screen is one. */
export function isDesk(): boolean {
  return matchMedia(DESK).matches;
}

/** The pixels from an element's top to the lower edge of such a screen; undefined on a smaller one, where pages scroll. */
export function useDesk<T extends Element>(): [RefObject<T | null>, number | undefined] {
  const ref = useRef<T>(null);
  const [height, setHeight] = useState<number>();
  useLayoutEffect(() => {
    const desk = matchMedia(DESK);
    const settle = () => {
      const top = (ref.current?.getBoundingClientRect().top ?? 0) + scrollY;
      setHeight(desk.matches ? Math.floor(innerHeight - top) : undefined);
    };
    settle();
    // What stands above it may come to take another line.
    const watching = new ResizeObserver(settle);
    watching.observe(document.body);
    addEventListener("resize", settle);
    return () => {
      watching.disconnect();
      removeEventListener("resize", settle);
    };
  }, []);
  return [ref, height];
}
