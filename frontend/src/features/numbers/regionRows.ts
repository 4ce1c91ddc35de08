/** Minutes by region, arranged in rows: a region each, its months in order. */
import type { MonthlyNumbers } from "../../api/client";

export interface RegionRow {
  region: string;
  /** Whole seconds, one for each month. */
  cells: { planned: number; taken: number }[];
}

/** The regions with the most time first. */
export function byRegion(found: MonthlyNumbers["regions"], months: readonly string[]): RegionRow[] {
  const regions = [...new Set(found.map(({ region }) => region))];
  const rows = regions.map((region) => ({
    region,
    cells: months.map((month) => {
      const one = found.find((cell) => cell.region === region && cell.month === month);
      return { planned: one?.planned ?? 0, taken: one?.taken ?? 0 };
    }),
  }));
  return rows.toSorted((a, b) => add([b]).taken - add([a]).taken);
}

/** All of the rows together. */
export function add(rows: readonly RegionRow[]): { planned: number; taken: number } {
  const cells = rows.flatMap((row) => row.cells);
  return {
    planned: cells.reduce((sum, cell) => sum + cell.planned, 0),
    taken: cells.reduce((sum, cell) => sum + cell.taken, 0),
  };
}

/** Seconds that a region took more (negative: less) than was planned. */
export function apart(row: RegionRow): number {
  const { planned, taken } = add([row]);
  return taken - planned;
}
