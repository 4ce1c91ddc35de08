/** Pulling the edge of a part: pixels in, whole seconds out. */

import type { WorkedPassage } from "../../api/client";
import type { Swell } from "../swells";

/** Seconds to which a pull snaps. */
export const STEP = 15;
/** The most seconds that a part, or all that is worked as one, can be given. */
export const LONGEST = 1800;

/** What a part of `seconds` would take if its edge were moved by so many pixels. */
export function pulledTo(seconds: number, pixels: number, pixelsPerSecond: number): number {
  const steps = Math.round(pixels / pixelsPerSecond / STEP);
  return Math.min(LONGEST, Math.max(STEP, seconds + steps * STEP));
}

/** All that is worked as one with the chosen part, where there is more of it than that part. */
export function wholeAround(
  chosen: Swell | undefined,
  swells: readonly Swell[],
  passages: readonly WorkedPassage[],
) {
  const passage = chosen && passages.find(({ parts }) => parts.includes(chosen.partId));
  if (!passage || passage.parts.length < 2) return null;
  const own = swells.filter((swell) => passage.parts.includes(swell.partId));
  const [x0, x1] = [Math.min(...own.map((swell) => swell.x0)), Math.max(...own.map((swell) => swell.x1))];
  return { passage, x0, x1, sided: own.some((swell) => swell.side !== "mid") };
}
