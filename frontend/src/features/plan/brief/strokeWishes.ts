/** The strokes that a session is to have or to do without: each in one of the two lists. */
import type { Brief } from "../../../api/client";

export type StrokeWishes = Pick<Brief, "with_strokes" | "without_strokes">;

const others = (ids: readonly string[] | undefined, stroke: string) =>
  (ids ?? []).filter((id) => id !== stroke);

/** The lists with a stroke wanted. */
export function strokesWith(wishes: StrokeWishes, stroke: string): Required<StrokeWishes> {
  return {
    with_strokes: [...others(wishes.with_strokes, stroke), stroke],
    without_strokes: others(wishes.without_strokes, stroke),
  };
}

/** The lists with a stroke left out. */
export function strokesWithout(wishes: StrokeWishes, stroke: string): Required<StrokeWishes> {
  return {
    with_strokes: others(wishes.with_strokes, stroke),
    without_strokes: [...others(wishes.without_strokes, stroke), stroke],
  };
}
