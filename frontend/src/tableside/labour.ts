/** Labour at the table: what is done between contractions, and what during one. */
import type { Entry, RunSheet, RunState } from "../api/client";

export function isOn(run: RunState): boolean {
  const last = run.contractions.at(-1);
  return Boolean(last && !last.ended_at);
}

/** What steadies during a contraction where one works now, or wherever the round has it next. */
export function duringEntry(sheet: RunSheet, run: RunState): Entry | undefined {
  const here = sheet.entries[run.entry]?.part_id;
  const during = sheet.entries.filter(({ slot }) => slot === "contraction");
  return during.find(({ part_id }) => part_id === here) ?? during[0];
}

/** The first stroke of the round, to begin it again. */
export function roundStart(sheet: RunSheet): number {
  return sheet.entries.findIndex(({ role, kind }) => role === "work" && kind === "stroke");
}

/** Whether the round has been through once: only the close is left. */
export function roundOver(sheet: RunSheet, run: RunState): boolean {
  return sheet.entries[run.entry]?.role === "close";
}
