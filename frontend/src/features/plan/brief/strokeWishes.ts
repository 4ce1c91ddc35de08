/** The strokes that a session is to have or to do without: each in one of the two lists. */
import type { Brief, Catalogue } from "../../../api/client";
import { say } from "../../../phrases/screens/plan/brief";
import { listed } from "../../../phrases/words";

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

/** So many strokes left out are named; more are counted. */
const NAMED = 3;

/** The strokes that are wanted or left out: `with stripping, without knuckling`. */
export function strokeWords(wishes: StrokeWishes, { strokes }: Pick<Catalogue, "strokes">): string {
  const named = (ids: readonly string[]) => listed(ids.map((id) => strokes[id]?.name ?? id));
  const { with_strokes: wanted = [], without_strokes: unwanted = [] } = wishes;
  const told = [
    wanted.length > 0 && say.withStrokes(named(wanted)),
    unwanted.length > 0 &&
      say.withoutStrokes(unwanted.length > NAMED ? say.fewStrokes(unwanted.length) : named(unwanted)),
  ].filter(Boolean);
  return told.join(", ") || say.usualStrokes;
}
