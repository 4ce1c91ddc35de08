/** Places the names of swells so that none covers another; one that finds no room is left to hover and list. */
import type { Swell } from "./swells";

export interface Label {
  partId: string;
  text: string;
  x: number;
  /** Pixels from the horizon, positive upward. */
  rise: number;
}

const LINE = 17;
const LETTER = 7.4;
const LEVELS = 3;
const GAP = 6;

interface Box {
  x0: number;
  x1: number;
  low: number;
  high: number;
}

/** `nameOf` gives a region's short name; `room` is how far from the horizon a label may rise. */
export function placeLabels(swells: Swell[], nameOf: (region: string) => string, room: number): Label[] {
  const taken: Record<"up" | "down", Box[]> = { up: [], down: [] };
  const labels: Label[] = [];
  for (const swell of swells) {
    if (swell.role !== "work") continue;
    const text = nameOf(swell.region);
    const middle = (swell.x0 + swell.x1) / 2;
    const half = (text.length * LETTER) / 2;
    const way = swell.side === "left" ? "down" : "up";
    for (let level = 0; level < LEVELS; level++) {
      const low = swell.crest + 5 + level * LINE;
      const box = { x0: middle - half, x1: middle + half, low, high: low + LINE };
      if (box.high > room || taken[way].some((other) => overlaps(box, other))) continue;
      taken[way].push(box);
      labels.push({ partId: swell.partId, text, x: middle, rise: way === "up" ? low : -low });
      break;
    }
  }
  return labels;
}

function overlaps(a: Box, b: Box): boolean {
  return a.x0 < b.x1 + GAP && b.x0 < a.x1 + GAP && a.low < b.high && b.low < a.high;
}
