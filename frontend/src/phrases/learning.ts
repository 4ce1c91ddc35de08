/** What is learnt of a region, in words and as it is drawn. */
import type { StartDepth } from "../api/client";
import { depthWord } from "./words";

export type Edge = "whole" | "dashed" | "dotted";

const SURE: Record<StartDepth["sureness"], string> = {
  sure: "sure",
  fairly_sure: "fairly sure",
  not_known: "not known yet",
};

const HELD: Record<string, string> = {
  care: "held there by care",
  last_time: "no more than one level over last time",
};

/** `starts at 3.5, medium; sure`, and whether to ask early. */
export function says(start: StartDepth): string {
  const word = depthWord[Math.floor(start.depth)] ?? "";
  const parts = [`starts at ${start.depth}, ${word}`, SURE[start.sureness]];
  const held = start.held_by && HELD[start.held_by];
  if (held) parts.push(held);
  return parts.join("; ") + (start.ask_early ? ": ask early" : "");
}

const SIDES = ["mid", "left", "right"];

/** How dark each place is, by the key of its spot. */
export function shades(starts: readonly StartDepth[]): Record<string, number> {
  return Object.fromEntries(
    starts.flatMap(({ region, mean }) =>
      SIDES.map((side) => [`${region} ${side}`, Math.min(5, Math.max(1, mean)) / 6]),
    ),
  );
}

/** How its edge is drawn, by the key of its spot. */
export function certainty(starts: readonly StartDepth[]): Record<string, Edge> {
  const edges: Record<StartDepth["sureness"], Edge> = {
    sure: "whole",
    fairly_sure: "dashed",
    not_known: "dotted",
  };
  return Object.fromEntries(
    starts.flatMap(({ region, sureness }) => SIDES.map((side) => [`${region} ${side}`, edges[sureness]])),
  );
}

/** Height 0 to 1 of the hill of a wish at a depth: as high as it is narrow, so that all hills hold as much water. */
export function hillAt(start: Pick<StartDepth, "mean" | "low" | "high">, depth: number): number {
  const sd = Math.max(0.05, (start.high - start.low) / 2 / 1.2816);
  return Math.min(1, 0.3 / sd) * Math.exp(-0.5 * ((depth - start.mean) / sd) ** 2);
}

/** `as usual`, `12 % slower`, `5 % faster`. */
export function paceWords(factor: number): string {
  const percent = Math.round((factor - 1) * 100);
  if (Math.abs(percent) < 3) return "as usual";
  return percent > 0 ? `${percent} % slower` : `${-percent} % faster`;
}
