/** What was skipped and is neither done nor waived. */
import type { Entry, RunSheet, RunState } from "../api/client";

/** The entries owed, in order of the sheet; of one part, or of all. */
export function owed(sheet: RunSheet, run: RunState, part?: string): Entry[] {
  const addresses = new Set(
    run.skipped
      .filter((skip) => !skip.reason && (part === undefined || skip.part_id === part))
      .flatMap((skip) => skip.entries),
  );
  return sheet.entries.filter(({ address }) => addresses.has(address));
}

/** Whether going on from `entry` to `next` leaves the part, or puts its cover back. */
export function leaves(sheet: RunSheet, entry: number, next: number): boolean {
  const [here, there] = [sheet.entries[entry], sheet.entries[next]];
  return next === entry || here?.part_id !== there?.part_id || there?.kind === "close_window";
}
