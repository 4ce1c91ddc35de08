/** The run sheet as it stands at the table: what was shared out anew is longer, shorter or left out. */
import type { RunSheet, RunState } from "../api/client";

export interface Scheduled {
  start: number;
  seconds: number;
}

/** Seconds of work of a part as planned: its strokes, oiling and asking. */
export function plannedWork(sheet: RunSheet, part: string): number {
  return sheet.entries.reduce((sum, one) => sum + (one.part_id === part && one.working ? one.seconds : 0), 0);
}

/** Seconds of work that a part has now. */
export function workOf(sheet: RunSheet, run: Pick<RunState, "allotted">, part: string): number {
  return run.allotted[part] ?? plannedWork(sheet, part);
}

/** When each entry begins and how long it takes; nothing of a part that is left out takes any time. */
export function schedule(sheet: RunSheet, run: Pick<RunState, "allotted">): Scheduled[] {
  let start = 0;
  return sheet.entries.map((entry) => {
    const own = run.allotted[entry.part_id];
    const planned = own === undefined ? 0 : plannedWork(sheet, entry.part_id);
    const seconds =
      own === undefined
        ? entry.seconds
        : own === 0
          ? 0
          : entry.working && planned > 0
            ? (entry.seconds * own) / planned
            : entry.seconds;
    const scheduled = { start, seconds };
    start += seconds;
    return scheduled;
  });
}

/**
 * The entry to go to from `entry`, on or back, past what is left out, and past what belongs to a contraction: that comes
 * when one does; on, also past what was skipped. Itself if there is none.
 */
export function neighbour(sheet: RunSheet, run: RunState, by: 1 | -1): number {
  const skipped = new Set(run.skipped.flatMap(({ entries }) => entries));
  const passed = (index: number) => {
    const entry = sheet.entries[index];
    if (!entry) return false;
    return (
      run.allotted[entry.part_id] === 0 ||
      // What a way past left out parts has made needless.
      entry.seconds === 0 ||
      (by > 0 && skipped.has(sheet.entries[strokeOf(sheet, index)]?.address ?? "")) ||
      (sheet.open_ended && entry.slot === "contraction")
    );
  };
  let at = run.entry + by;
  while (passed(at)) at += by;
  return sheet.entries[at] ? at : run.entry;
}

/** The stroke that an entry is, or serves: oil goes before its stroke, asking comes after it. */
function strokeOf(sheet: RunSheet, index: number): number {
  const by = sheet.entries[index]?.kind === "check_in" ? -1 : 1;
  const part = sheet.entries[index]?.part;
  let at = index;
  while (
    sheet.entries[at]?.working &&
    sheet.entries[at]?.kind !== "stroke" &&
    sheet.entries[at]?.part === part
  )
    at += by;
  return sheet.entries[at]?.part === part ? at : index;
}
