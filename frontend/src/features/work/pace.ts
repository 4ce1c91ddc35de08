import type { RunSheet, RunState } from "../../api/client";
import { span } from "../../lib/time";

const TOLERATED = 20;

/** How much of the present stop's time is left, 1 to 0: the water level. */
export function waterLevel(run: RunState, sheet: RunSheet, now: number): number {
  const stop = sheet.entries[run.entry]?.stop_id;
  const planned = sheet.entries.filter((e) => e.stop_id === stop).reduce((sum, e) => sum + e.seconds, 0);
  const since = run.last_at && !run.ended_at ? Math.max(0, (now - Date.parse(run.last_at)) / 1000) : 0;
  const taken = (run.taken[stop ?? ""] ?? 0) + since;
  return planned === 0 ? 0 : Math.max(0, 1 - taken / planned);
}

/** Seconds behind the plan (positive) or ahead of it (negative); 0 while the present entry has its time. */
export function behind(run: RunState, sheet: RunSheet, now: number): number {
  const entry = sheet.entries[run.entry];
  if (!run.begun_at || !entry) return 0;
  const elapsed = (now - Date.parse(run.begun_at)) / 1000;
  return elapsed - Math.min(Math.max(elapsed, entry.start), entry.start + entry.seconds);
}

/** On time, or how far off, in words. */
export function paceWords(seconds: number): string {
  if (Math.abs(seconds) < TOLERATED) return "On time";
  const rounded = Math.abs(seconds) >= 60 ? Math.round(seconds / 60) * 60 : Math.round(seconds / 5) * 5;
  return `${span(rounded)} ${seconds > 0 ? "behind" : "ahead"}`;
}
