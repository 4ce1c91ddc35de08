/** Reading a replanning table: what is worked, and how long, with the seconds that are left. */
import type { ReplanTables } from "../api/client";

export type PartTable = ReplanTables["parts"][number];
type Share = PartTable["shares"][number];

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

/**
 * What to do from the table's part on with `left` seconds, those owed to second sides taken off. A region in `held`
 * keeps just so many seconds a side; what must give, the others give.
 */
export function shareOut(table: PartTable, left: number, held: Record<string, number> = {}): SharedOut {
  if (Object.keys(held).length > 0) return around(table, left, held);
  const piece = table.pieces.findLast((p) => p.start <= left);
  if (!piece) {
    const short = (table.pieces[0]?.start ?? 0) - Math.trunc(left);
    return { seconds: {}, dropped: [], between: 0, spare: 0, short_by: short };
  }
  const total = left - piece.fixed;
  const { level, spare } = levelAt(piece.level, total);
  const kept = new Set([...piece.kept, CLOSE]);
  const worked = table.shares.filter((s) => kept.has(s.region));
  return {
    seconds: Object.fromEntries(worked.map((s) => [s.region, atLevel(s, level)])),
    dropped: table.shares.filter((s) => !kept.has(s.region)).map((s) => s.region),
    between: piece.fixed,
    spare,
    short_by: 0,
  };
}

/** The water level at which the shares make `total`, between the corners on its either side, and what is left over. */
function levelAt(corners: [number, number][], total: number): { level: number; spare: number } {
  let [low, level] = corners[0] ?? [0, 1];
  for (const [high, next] of corners) {
    if (total <= high) {
      const part = high === low ? 0 : Math.max(0, total - low) / (high - low);
      return { level: level + part * (next - level), spare: 0 };
    }
    [low, level] = [high, next];
  }
  return { level, spare: total - low };
}

function atLevel({ weight, saturation, least, most }: Share, level: number): number {
  return Math.min(Math.max(weight * level - saturation, least), most);
}

/** The rest shared out around what is held: of the sets that the table knows, the one that does most good. */
function around(table: PartTable, left: number, held: Record<string, number>): SharedOut {
  const ids = Object.keys(held);
  const fixed = table.shares.reduce((sum, s) => sum + s.count * (held[s.region] ?? 0), 0);
  let best: { good: number; out: SharedOut } | null = null;
  let missing = Number.POSITIVE_INFINITY;
  for (const piece of table.pieces) {
    const kept = new Set([...piece.kept, CLOSE]);
    if (!ids.every((id) => kept.has(id))) continue;
    const rest = table.shares.filter((s) => kept.has(s.region) && !(s.region in held));
    const total = left - piece.fixed - fixed;
    const least = rest.reduce((sum, s) => sum + s.count * s.least, 0);
    const most = rest.reduce((sum, s) => sum + s.count * s.most, 0);
    missing = Math.min(missing, least - total);
    if (total < least - 1e-9) continue;
    const level = levelFor(rest, Math.min(total, most));
    const given = rest.map((s) => [s, atLevel(s, level)] as const);
    const good = given.reduce((sum, [s, t]) => sum + worth(s, t), 0);
    if (best && good <= best.good) continue;
    const seconds = { ...held, ...Object.fromEntries(given.map(([s, t]) => [s.region, t])) };
    const dropped = table.shares.filter((s) => !(s.region in seconds)).map((s) => s.region);
    const spare = Math.max(0, total - most);
    best = { good, out: { seconds, dropped, between: piece.fixed, spare, short_by: 0 } };
  }
  if (best) return best.out;
  const short = Math.max(1, Math.round(Number.isFinite(missing) ? missing : left));
  return { seconds: {}, dropped: [], between: 0, spare: 0, short_by: short };
}

/** What `seconds` per side of a share are worth, all sides together. A run kept by an older device has no bonus. */
function worth({ count, weight, saturation, bonus }: Share, seconds: number): number {
  return count * weight * Math.log(1 + seconds / saturation) + (bonus ?? 0);
}

/** The water level at which shares make `total`: a walk along the levels where one begins or stops to take more. */
function levelFor(shares: readonly Share[], total: number): number {
  const turns = shares
    .flatMap((s) => [
      { at: (s.least + s.saturation) / s.weight, change: s.count * s.weight },
      { at: (s.most + s.saturation) / s.weight, change: -s.count * s.weight },
    ])
    .sort((a, b) => a.at - b.at);
  let reached = shares.reduce((sum, s) => sum + s.count * s.least, 0);
  let level = 0;
  let slope = 0;
  for (const { at, change } of turns) {
    const grown = reached + slope * (at - level);
    if (slope > 0 && total <= grown) return level + (total - reached) / slope;
    [reached, level] = [grown, at];
    slope += change;
  }
  return level;
}
