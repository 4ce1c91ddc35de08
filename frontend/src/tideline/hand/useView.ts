import { type RefObject, useEffect, useState } from "react";
import type { RunSheet } from "../../api/client";
import type { View } from "../layout";
import { moved, zoomed } from "./view";

/** How much of the line is drawn: all, or what the wheel (with Ctrl) or the keys have brought nearer. */
export function useView(svg: RefObject<SVGSVGElement | null>, sheet: RunSheet) {
  const [near, setNear] = useState<View | null>(null);
  const whole = { from: 0, to: sheet.seconds };
  const view = near ? { from: near.from, to: Math.min(near.to, sheet.seconds) } : whole;

  useEffect(() => {
    const line = svg.current;
    if (!line) return;
    // A wheel that zooms must not zoom the page too, so the listener may not be a passive one.
    function wheel(event: WheelEvent) {
      const box = line?.getBoundingClientRect();
      if (!box) return;
      const at = (event.clientX - box.left) / box.width;
      if (event.ctrlKey || event.metaKey) {
        event.preventDefault();
        setNear((now) =>
          zoomed(now ?? { from: 0, to: sheet.seconds }, sheet.seconds, at, Math.exp(event.deltaY / 200)),
        );
      } else if (event.deltaX !== 0) {
        setNear((now) => now && moved(now, sheet.seconds, (event.deltaX / box.width) * (now.to - now.from)));
      }
    }
    line.addEventListener("wheel", wheel, { passive: false });
    return () => line.removeEventListener("wheel", wheel);
  }, [svg, sheet.seconds]);

  return {
    view,
    near: near !== null,
    /** Brings what lies between two seconds near, with a little on either side. */
    show(from: number, to: number) {
      const margin = Math.max(8, (to - from) * 0.12);
      setNear({ from: Math.max(0, from - margin), to: Math.min(sheet.seconds, to + margin) });
    },
    by: (factor: number) => setNear(zoomed(view, sheet.seconds, 0.5, factor)),
    all: () => setNear(null),
  };
}
