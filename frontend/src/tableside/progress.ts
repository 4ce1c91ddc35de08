/** How far a run is, and how far behind or ahead of its plan. */
import type { RunSheet, RunState } from "../api/client";
import { presentPart } from "./fold";
import { schedule, workOf } from "./schedule";

/** Seconds by which a first touch may be late without a word. */
const MATTERS = 180;
/** Seconds from the first touch in which a late start is spoken of. */
const ASKED_WITHIN = 600;

/** Seconds since the first touch, pauses left out. */
export function elapsed(run: RunState, now: number): number {
  if (!run.begun_at) return 0;
  const still = run.paused_at ? Math.max(0, (now - Date.parse(run.last_at ?? run.paused_at)) / 1000) : 0;
  return (now - Date.parse(run.begun_at)) / 1000 - run.paused - still;
}

/** Seconds that a part has taken up to now. */
export function takenBy(run: RunState, sheet: RunSheet, part: string, now: number): number {
  const present = presentPart(run, sheet) === part && !run.ended_at && !run.paused_at;
  const since = present && run.last_at ? Math.max(0, (now - Date.parse(run.last_at)) / 1000) : 0;
  return (run.taken[part] ?? 0) + since;
}

/** Seconds of work that the present part still has. */
export function partSecondsLeft(run: RunState, sheet: RunSheet, now: number): number {
  const part = presentPart(run, sheet);
  const has = run.added.find(({ part_id }) => part_id === part)?.seconds ?? workOf(sheet, run, part);
  return Math.max(0, has - takenBy(run, sheet, part, now));
}

/** How much of the present part's time is left, 1 to 0: the water level. */
export function waterLevel(run: RunState, sheet: RunSheet, now: number): number {
  const part = presentPart(run, sheet);
  const planned =
    run.added.find(({ part_id }) => part_id === part)?.seconds ??
    schedule(sheet, run).reduce(
      (sum, { seconds }, index) => sum + (sheet.entries[index]?.part_id === part ? seconds : 0),
      0,
    );
  return planned === 0 ? 0 : Math.max(0, 1 - takenBy(run, sheet, part, now) / planned);
}

/**
 * Seconds behind the plan (positive) or ahead of it (negative); 0 while the present entry has its time. Once the rest
 * was shared out anew, it is the end then promised that counts.
 */
export function behind(run: RunState, sheet: RunSheet, now: number): number {
  const { passed, at } = where(run, sheet, now);
  return passed - at;
}

/** Seconds that the present part still needs: what is left of its present entry, and those after it. */
export function stillNeeded(run: RunState, sheet: RunSheet, now: number): number {
  const { times, at } = where(run, sheet, now);
  const part = sheet.entries[run.entry]?.part_id;
  const last = times[sheet.entries.findLastIndex(({ part_id }) => part_id === part)];
  return last ? last.start + last.seconds - at : 0;
}

/** Where the plan should be by now, and where within the present entry it is, in seconds from the first touch. */
function where(run: RunState, sheet: RunSheet, now: number) {
  const times = schedule(sheet, run);
  const entry = times[run.entry];
  if (!run.begun_at || !entry) return { times, passed: 0, at: 0 };
  const all = times.reduce((sum, { seconds }) => sum + seconds, 0);
  const passed = elapsed(run, now) + all - (run.total ?? all);
  return { times, passed, at: Math.min(Math.max(passed, entry.start), entry.start + entry.seconds) };
}

/**
 * Seconds by which the first touch was later than `due`, in ms since 1970; 0 if it was not, if a minute or two
 * do not matter, or if it was so late that it must have been another hour. Only asked in the first minutes, and while
 * nothing has been shared out anew.
 */
export function begunLate(run: RunState, sheet: RunSheet, due: number, now: number): number {
  if (!run.begun_at || run.total || elapsed(run, now) > ASKED_WITHIN) return 0;
  const late = (Date.parse(run.begun_at) - due) / 1000;
  return late >= MATTERS && late <= sheet.hands_on_seconds / 2 ? late : 0;
}

/** How far the session is, 0 to 1: the mark on the horizon. */
export function progress(run: RunState, sheet: RunSheet): number {
  const times = schedule(sheet, run);
  const total = times.reduce((sum, { seconds }) => sum + seconds, 0);
  return total === 0 ? 0 : (times[run.entry]?.start ?? 0) / total;
}
