import type { Brief, Day, Region, SessionView } from "../../api/client";
import { listed } from "../../lib/words";

type Stage = SessionView["stage"];

export const STAGE_WORDS: Record<Stage, string> = {
  plan: "planned",
  work: "under way",
  log: "to be logged",
  logged: "logged",
};

export const STAGE_PAGE: Record<Stage, "plan" | "work" | "log"> = {
  plan: "plan",
  work: "work",
  log: "log",
  logged: "log",
};

/** What a brief asks for, in one line. */
export function askedFor(brief: Brief, regions: Record<string, Region>): string {
  const names = (ids: readonly string[]) => listed(ids.map((id) => regions[id]?.whole ?? id));
  const parts = [`${brief.booked_minutes} min full body`];
  if (brief.focus?.length) parts.push(`more ${names(brief.focus)}`);
  if (brief.leave_out?.length) parts.push(`no ${names(brief.leave_out)}`);
  return parts.join(", ");
}

const NUMBERS = ["No", "One", "Two", "Three", "Four", "Five", "Six", "Seven", "Eight", "Nine"];

/** The day in one sentence. */
export function daySentence(day: Day): string {
  const count = day.sessions.length;
  if (count === 0) return "No sessions today.";
  const logged = day.sessions.filter((session) => session.stage === "logged").length;
  const all = `${NUMBERS[count] ?? count} ${count === 1 ? "session" : "sessions"}`;
  if (logged === count) return `${all}, all logged. Rest your hands.`;
  const done =
    logged === 0 ? "none logged yet" : `${(NUMBERS[logged] ?? String(logged)).toLowerCase()} logged`;
  return `${all}, ${done}.`;
}
