/** What was skipped and is neither done nor waived. */
import type { RunSheet, RunState } from "../../api/client";

/** The entries owed, in order of the sheet; of one stop, or of all. */
export function owed(run: RunState, stop?: string): number[] {
  return run.skipped
    .filter((skip) => !skip.reason && (stop === undefined || skip.stop_id === stop))
    .flatMap((skip) => skip.entries)
    .sort((a, b) => a - b);
}

/** Whether going on from `entry` to `next` leaves the stop, or puts its cover back. */
export function leaves(sheet: RunSheet, entry: number, next: number): boolean {
  const [here, there] = [sheet.entries[entry], sheet.entries[next]];
  return next === entry || here?.stop_id !== there?.stop_id || there?.kind === "close_window";
}
