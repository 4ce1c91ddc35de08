/** The rest of the session shared out anew, on the device alone: what gives way, before it happens. */
import type { Catalogue, ReplanTables, RunSheet, RunState } from "../api/client";
import { span } from "../lib/time";
import { capital } from "../lib/words";
import { elapsed, stillNeeded, takenBy } from "./pace";
import { workOf } from "./schedule";
import { shareOut } from "./shareOut";

export interface Bending {
  /** Seconds of work by part id; 0 for a part that is left out. */
  seconds: Record<string, number>;
  total: number;
  /** What gives way, in one line; empty if nothing does. */
  says: string;
  /** The regions that would be left out or shortened. */
  gives: string[];
  short_by: number;
}

/** Seconds a side below which a change is not named. */
const SAID = 15;

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
  catalogue: Pick<Catalogue, "regions">,
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
  if (shared.short_by > 0) return { seconds: {}, total, says: "", gives: [], short_by: shared.short_by };
  const seconds: Record<string, number> = {};
  const moved = new Map<string, { before: number; after: number }>();
  for (const part of parts.slice(next)) {
    if (part.role !== "work" && part.role !== "close") continue;
    const key = part.role === "close" ? "close" : part.region;
    if (table.owed.includes(key)) continue;
    const after = Math.round(shared.seconds[key] ?? 0);
    const before = workOf(sheet, run, part.part_id);
    seconds[part.part_id] = after;
    if (part.role === "work") moved.set(part.region, { before, after });
  }
  const words = [...moved].flatMap(([region, { before, after }]) => {
    const name = catalogue.regions[region]?.whole ?? region;
    if (after === 0 && before > 0) return [`${name} left out`];
    const pair = catalogue.regions[region]?.sides === "pair" ? " each side" : "";
    if (Math.abs(after - before) < SAID) return [];
    return [`${name} ${span(Math.abs(after - before))} ${after < before ? "less" : "more"}${pair}`];
  });
  const unsaid = [...moved.values()].some(({ before, after }) => after < before && after > before - SAID);
  if (unsaid) words.push("a little less elsewhere");
  const gives = [...moved]
    .filter(([, { before, after }]) => after <= before - SAID)
    .map(([region]) => region);
  return { seconds, total, says: capital(words.join(", ")), gives, short_by: 0 };
}
