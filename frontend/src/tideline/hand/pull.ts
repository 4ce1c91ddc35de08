/** Pulling the edge of a part: pixels in, whole seconds out. */

/** Seconds to which a pull snaps. */
export const STEP = 15;
const LONGEST = 1800;

/** What a part of `seconds` would take if its edge were moved by so many pixels. */
export function pulledTo(seconds: number, pixels: number, pixelsPerSecond: number): number {
  const steps = Math.round(pixels / pixelsPerSecond / STEP);
  return Math.min(LONGEST, Math.max(STEP, seconds + steps * STEP));
}
