/** What a changed plan changes, in words. */
import type { Difference } from "../../api/client";
import { span } from "../time";
import { capital, listed } from "../words";

type Change = Difference["changes"][number];

export interface ChangeWords {
  region: string;
  what: string;
}

/** One line for each region that changes, the greatest change first. */
export function changeLines(difference: Difference, name: (region: string) => string): ChangeWords[] {
  return difference.changes.map((change) => ({
    region: capital(name(change.region)),
    what: amounts(change.before, change.after, change.strokes),
  }));
}

function amounts(before: number, after: number, strokes: Change["strokes"]): string {
  if (after === 0) return `left out, ${span(before)} before`;
  if (before === 0) return `new, ${span(after)}`;
  if (Math.abs(after - before) <= 10) return "other strokes in the same time";
  const other = strokes === "other" ? ", with other strokes" : "";
  return `${span(before)} → ${span(after)}${other}`;
}

const NAMED = 4;

/** Who gained and who gave, in one line, the greatest change first: `neck +1 min 35 s, back −36 s`. */
export function whatMoved(difference: Difference, name: (region: string) => string): string {
  const moved = difference.changes.filter((change) => change.after !== change.before);
  const words = moved
    .slice(0, NAMED)
    .map(
      ({ region, before, after }) => `${name(region)} ${after > before ? "+" : "−"}${span(after - before)}`,
    );
  return capital([...words, ...(moved.length > NAMED ? ["a little elsewhere"] : [])].join(", "));
}

/** What becomes of what was set by hand, and of the order. */
export function keptWords(difference: Difference, name: (region: string) => string): string[] {
  const words = [];
  const names = (ids: readonly string[]) => listed(ids.map(name));
  if (difference.kept.length) words.push(`Kept as you set it: ${names(difference.kept)}.`);
  if (difference.moved.length) words.push(`Could not stay as you set it: ${names(difference.moved)}.`);
  if (difference.reordered) words.push("The rest is in another order.");
  const turns = difference.after.turns - difference.before.turns;
  if (turns)
    words.push(
      `${Math.abs(turns) === 1 ? "One turn" : `${Math.abs(turns)} turns`} ${turns > 0 ? "more" : "fewer"}.`,
    );
  return words;
}
