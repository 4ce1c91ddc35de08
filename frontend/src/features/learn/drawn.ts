/** What is learnt of a region, as it is drawn. */
import type { StartDepth } from "../../api/client";

export type Edge = "whole" | "dashed" | "dotted";

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
