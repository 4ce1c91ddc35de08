/** Reading a replanning table: what is worked, and how long, with the seconds that are left. */

export interface StopTable {
  stop: number;
  owed: string[];
  shares: {
    region: string;
    count: number;
    weight: number;
    saturation: number;
    least: number;
    most: number;
  }[];
  pieces: { start: number; kept: string[]; fixed: number; level: [number, number][] }[];
}

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
    const short = (table.pieces[0]?.start ?? 0) - Math.trunc(left);
    return { seconds: {}, dropped: [], between: 0, spare: 0, short_by: short };
  }
  const total = left - piece.fixed;
  const { level, spare } = levelAt(piece.level, total);
  const kept = new Set([...piece.kept, CLOSE]);
  const worked = table.shares.filter((s) => kept.has(s.region));
  return {
    seconds: Object.fromEntries(
      worked.map((s) => [s.region, Math.min(Math.max(s.weight * level - s.saturation, s.least), s.most)]),
    ),
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
