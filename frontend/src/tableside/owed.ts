/** What was skipped and is neither done nor waived. */
import type { Entry, RunSheet, RunState } from "../api/client";

/** The entries owed, in order of the sheet; of some parts, or of all. */
export function owed(sheet: RunSheet, run: RunState, parts?: readonly string[]): Entry[] {
  const addresses = new Set(
    run.skipped
      .filter((skip) => !skip.reason && (parts === undefined || parts.includes(skip.part_id)))
      .flatMap((skip) => skip.entries),
  );
  return sheet.entries.filter(({ address }) => addresses.has(address));
}

/** Whether going on from `entry` to `next` leaves the part, or puts its cover back. */
export function leaves(sheet: RunSheet, entry: number, next: number): boolean {
  const [here, there] = [sheet.entries[entry], sheet.entries[next]];
  return next === entry || here?.part_id !== there?.part_id || there?.kind === "close_window";
}

/** The strokes of some parts from the present entry on. */
export function strokesAhead(sheet: RunSheet, run: RunState, parts: readonly string[]): Entry[] {
  return sheet.entries
    .slice(run.entry)
    .filter((entry) => entry.kind === "stroke" && parts.includes(entry.part_id));
}

/** The first entry past some parts, where all that is left of them was skipped; null where something is left to do. */
export function pastSkipped(sheet: RunSheet, run: RunState, parts: readonly string[]): number | null {
  const skipped = new Set(run.skipped.flatMap(({ entries }) => entries));
  if (strokesAhead(sheet, run, parts).some(({ address }) => !skipped.has(address))) return null;
  const past = sheet.entries.findIndex((entry, at) => at > run.entry && !parts.includes(entry.part_id));
  return past < 0 ? null : past;
}
