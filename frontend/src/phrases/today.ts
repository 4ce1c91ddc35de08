import type { Attendance, Brief, Catalogue, Day, SessionView } from "../api/client";
import { decimal } from "./measures";
import { listed } from "./words";

type Stage = SessionView["stage"];

export const STAGE_WORDS: Record<Stage, string> = {
  plan: "planned",
  work: "under way",
  log: "to be logged",
  logged: "logged",
};

/** Whether a client comes, or came. */
export const ATTENDANCE: Record<Attendance, string> = {
  expected: "",
  late: "came late",
  cancelled: "cancelled",
  did_not_come: "did not come",
};

/** What the whole day asks of the therapist's hands. */
export function handsSentence(
  { hazardous, strain, thumb_seconds, thumb_budget_seconds }: Day["hands"],
  today: boolean,
): string {
  const load = hazardous ? "a straining day" : "within bounds";
  const thumbs = `${Math.round(thumb_seconds / 60)} of the ${Math.round(thumb_budget_seconds / 60)} min that thumbs bear`;
  return `Your hands ${today ? "today" : "on this day"}: ${load}, strain index ${decimal(strain)} of 10 at most, ${thumbs}.`;
}

/** `more back`, `much more neck and more feet`; nothing where there is no focus. */
export function focusWords(
  { focus = [], much_more = [] }: Pick<Brief, "focus" | "much_more">,
  names: (ids: readonly string[]) => string,
): string {
  const much = focus.filter((id) => much_more.includes(id));
  const rest = focus.filter((id) => !much.includes(id));
  const parts = [much.length > 0 && `much more ${names(much)}`, rest.length > 0 && `more ${names(rest)}`];
  return parts.filter(Boolean).join(" and ");
}

/** What a brief asks for, in one line. */
export function askedFor(brief: Brief, known: Pick<Catalogue, "regions" | "kinds"> | undefined): string {
  const names = (ids: readonly string[]) => listed(ids.map((id) => known?.regions[id]?.whole ?? id));
  const kind = known?.kinds[brief.kind ?? ""];
  const area = kind?.area?.find(({ id }) => id === brief.area);
  const parts = [`${brief.booked_minutes} min ${kind?.name ?? ""}${area ? ` on ${area.name}` : ""}`.trim()];
  const more = focusWords(brief, names);
  if (more) parts.push(more);
  if (brief.leave_out?.length) parts.push(`no ${names(brief.leave_out)}`);
  return parts.join(", ");
}

const NUMBERS = ["No", "One", "Two", "Three", "Four", "Five", "Six", "Seven", "Eight", "Nine"];

/** The day in one sentence; who does not come is told beside it. */
export function daySentence(day: Day): string {
  const come = day.sessions.filter(({ comes }) => comes);
  const count = come.length;
  const gone = day.sessions.length - count;
  const without = gone === 0 ? "" : ` ${NUMBERS[gone] ?? gone} cancelled or did not come.`;
  if (count === 0) return `${day.day === day.now.day ? "No sessions today." : "No sessions."}${without}`;
  const logged = come.filter((session) => session.stage === "logged").length;
  const all = `${NUMBERS[count] ?? count} ${count === 1 ? "session" : "sessions"}`;
  if (logged === count) return `${all}, all logged. Rest your hands.${without}`;
  if (day.day > day.now.day) return `${all}.${without}`;
  const done =
    logged === 0 ? "none logged yet" : `${(NUMBERS[logged] ?? String(logged)).toLowerCase()} logged`;
  return `${all}, ${done}.${without}`;
}
