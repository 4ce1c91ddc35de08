/** Reading a replanning table: what is worked, and how long, with the seconds that are left. */

import type { components } from "../api/schema";

export type StopTable = components["schemas"]["StopTable"];

export interface SharedOut {
  /** Seconds per side of every region that is worked, and of the close. */
  seconds: Record<string, number>;
  dropped: string[];
  /** Seconds of transitions. */
  between: number;
  /** Seconds that are more than all can use. */
  spare: number;
  /** Seconds that are missing; where there are any, nothing fits. */
  short_by: number;
}

const CLOSE = "close";

/** What to do from the table's stop on with `left` seconds, those owed to second sides taken off. */
export function shareOut(table: StopTable, left: number): SharedOut {
  const piece = table.pieces.findLast((p) => p.start <= left);
  if (!piece) {
    const short = table.pieces[0].start - Math.trunc(left);
    return { seconds: {}, dropped: [], between: 0, spare: 0, short_by: short };
  }
  const total = left - piece.fixed;
  const level = levelAt(piece.level, total);
  const kept = new Set([...piece.kept, CLOSE]);
  const worked = table.shares.filter((s) => kept.has(s.region));
  return {
    seconds: Object.fromEntries(
      worked.map((s) => [s.region, Math.min(Math.max(s.weight * level - s.saturation, s.least), s.most)]),
    ),
    dropped: table.shares.filter((s) => !kept.has(s.region)).map((s) => s.region),
    between: piece.fixed,
    spare: Math.max(0, total - piece.level[piece.level.length - 1][0]),
    short_by: 0,
  };
}

/** The water level at which the shares make `total`, between the corners on its either side. */
function levelAt(corners: [number, number][], total: number): number {
  for (let i = 1; i < corners.length; i++) {
    const [low, level] = corners[i - 1];
    const [high, next] = corners[i];
    if (total <= high) return level + (high === low ? 0 : Math.max(0, total - low) / (high - low)) * (next - level);
  }
  return corners[corners.length - 1][1];
}
