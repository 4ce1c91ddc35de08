/** The rest of the session shared out anew, on the device alone: what gives way, before it happens. */
import type { ReplanTables, RunSheet, RunState } from "../api/client";
import { elapsed, stillNeeded, takenBy } from "./progress";
import { workOf } from "./schedule";
import { shareOut } from "./shareOut";

export interface Bending {
  /** Seconds of work by part id; 0 for a part that is left out. */
  seconds: Record<string, number>;
  /** Seconds that are missing; where there are any, nothing fits. */
  short_by: number;
}

/** The parts in order, each once. */
function partsOf(sheet: RunSheet): RunSheet["entries"] {
  return sheet.entries.filter((entry, index) => entry.part_id !== sheet.entries[index - 1]?.part_id);
}

/**
 * What becomes of the parts after the present one if the session has `total` seconds from first touch to last. Second
 * sides get what their first side got; the regions in `keep` give nothing, the others give more.
 */
export function bend(
  tables: ReplanTables,
  sheet: RunSheet,
  run: RunState,
  total: number,
  now: number,
  keep: ReadonlySet<string> = new Set(),
): Bending | null {
  const parts = partsOf(sheet);
  const present = parts.findIndex(({ part_id }) => part_id === sheet.entries[run.entry]?.part_id);
  const next = present + 1;
  const table = tables.parts.find(({ part }) => part === next);
  if (!table || present < 0) return null;
  const mine = stillNeeded(run, sheet, now);
  const firstSide = (region: string) =>
    parts.slice(0, next).find((part) => part.role === "work" && part.region === region);
  const owed = (region: string) => {
    const first = firstSide(region);
    return first ? workOf(sheet, run, first.part_id) : 0;
  };
  const beside = run.added.find(({ part_id }) => part_id === run.adding);
  const adding = beside ? Math.max(0, beside.seconds - takenBy(run, sheet, beside.part_id, now)) : 0;
  const left =
    total - elapsed(run, now) - mine - adding - table.owed.reduce((sum, region) => sum + owed(region), 0);
  const rows = new Set(table.shares.map(({ region }) => region));
  const held = Object.fromEntries(
    parts
      .slice(next)
      .filter(({ role, region }) => role === "work" && keep.has(region) && rows.has(region))
      .map(({ region, part_id }) => [region, workOf(sheet, run, part_id)]),
  );
  const shared = shareOut(table, left, held);
  if (shared.short_by > 0) return { seconds: {}, short_by: shared.short_by };
  const seconds: Record<string, number> = {};
  for (const part of parts.slice(next)) {
    if (part.role !== "work" && part.role !== "close") continue;
    const key = part.role === "close" ? "close" : part.region;
    if (!table.owed.includes(key)) seconds[part.part_id] = Math.round(shared.seconds[key] ?? 0);
  }
  return { seconds, short_by: 0 };
}
