/** What a stroke counts by itself: breaths, the two halves of an active step, seconds of a hold, strips. */
import type { Catalogue, Entry } from "../../../api/client";

export interface Beats {
  kind: "breath" | "active" | "hold" | "strip";
  passes: number;
  /** Seconds of one pass. */
  each: number;
  /** What is said in either half of an active step. */
  cue: { command: string; release: string } | null;
}

export interface Beat {
  /** Which pass it is, from 1 on. */
  pass: number;
  /** Whole seconds of this pass so far. */
  seconds: number;
  /** The half of the pass: for a breath, in and then out. */
  half: "first" | "second";
  over: boolean;
}

/** The search for sore places goes strip by strip. */
const SEARCH = "search";

type Strokes = Pick<Catalogue, "strokes">;

/** How `entry` is counted; null if by hand. `own` are the therapist's words for an active step. */
export function beatsOf(
  entry: Entry,
  catalogue: Strokes,
  own?: { command: string; release?: string } | null,
): Beats | null {
  const stroke = catalogue.strokes[entry.stroke ?? ""];
  if (!stroke || !entry.passes) return null;
  const cue = own ?? stroke.cue;
  const said = cue ? { command: cue.command, release: cue.release ?? "" } : null;
  const kind =
    stroke.pass.kind === "breaths"
      ? "breath"
      : stroke.id === SEARCH
        ? "strip"
        : said
          ? "active"
          : stroke.direction === "still"
            ? "hold"
            : null;
  return kind && { kind, passes: entry.passes, each: entry.seconds / entry.passes, cue: said };
}

/** Where the count is after `seconds` of the step. */
export function beatAt({ passes, each }: Beats, seconds: number): Beat {
  const done = Math.floor(seconds / each);
  const over = done >= passes;
  const into = over ? each : seconds - done * each;
  return {
    pass: Math.min(done, passes - 1) + 1,
    seconds: Math.floor(into),
    half: into < each / 2 ? "first" : "second",
    over,
  };
}
