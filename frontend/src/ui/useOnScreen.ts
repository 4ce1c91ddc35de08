import { useLayoutEffect, useRef } from "react";

/** Room between a panel and the edge of the screen, in px. */
const MARGIN = 12;

/** Room above a panel in which what it opened from stays in sight, in px. */
const ABOVE = 64;

/**
 * Keeps a panel that is `open` on the screen, whatever comes to stand in it: it is moved to the left as far as it takes,
 * and the page is scrolled as far as what it opened from stays in sight.
 */
export function useOnScreen<Panel extends HTMLElement>(open: boolean) {
  const ref = useRef<Panel>(null);
  useLayoutEffect(() => {
    const panel = ref.current;
    if (!open || !panel) return;
    const settle = () => {
      panel.style.marginLeft = "0px";
      const over = panel.getBoundingClientRect().right + MARGIN - document.documentElement.clientWidth;
      if (over > 0) panel.style.marginLeft = `${-over}px`;
      const { top, bottom } = panel.getBoundingClientRect();
      // On a narrow screen it lies along the lower edge, and what it opened from may be under it.
      const below =
        getComputedStyle(panel).position === "fixed"
          ? (panel.parentElement?.getBoundingClientRect().bottom ?? 0) + MARGIN - top
          : Math.min(bottom + MARGIN - innerHeight, top - ABOVE);
      if (below > 0) scrollBy({ top: below });
    };
    settle();
    const watching = new ResizeObserver(settle);
    watching.observe(panel);
    addEventListener("resize", settle);
    return () => {
      watching.disconnect();
      removeEventListener("resize", settle);
    };
  }, [open]);
  return ref;
}
