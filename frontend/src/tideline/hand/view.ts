/** Bringing a part of the line nearer. */
import type { View } from "../layout";

/** Seconds that are drawn at the least. */
const LEAST = 40;

/** The view made `factor` as long round the point at `at` (0 to 1) of it; null when it is the whole session again. */
export function zoomed(view: View, seconds: number, at: number, factor: number): View | null {
  const length = Math.max(LEAST, (view.to - view.from) * factor);
  if (length >= seconds) return null;
  const fixed = view.from + at * (view.to - view.from);
  return moved({ from: fixed - at * length, to: fixed + (1 - at) * length }, seconds, 0);
}

/** The view moved by so many seconds, as far as the session goes. */
export function moved(view: View, seconds: number, by: number): View {
  const from = Math.min(Math.max(0, view.from + by), seconds - (view.to - view.from));
  return { from, to: from + (view.to - view.from) };
}
