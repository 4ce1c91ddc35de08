/** What is said where a calendar file comes in, and of the time that it blocks. */
import { stretch } from "../../time";

function counted(count: number, one: string, many: string): string {
  return `${count} ${count === 1 ? one : many}`;
}

export const say = {
  importCalendar: "Import a calendar",
  whatMayComeIn:
    "Choose an iCalendar file (.ics) from your calendar. You choose for each event what it becomes: a session with its plan, or blocked time. Importing the same file again changes nothing; a newer one moves blocked time with its event.",
  readingFile: "Reading the calendar",
  events: (count: number) => counted(count, "event in the next year", "events in the next year"),
  nothingAhead: "No event of this file takes place in the next year.",
  unread: (titles: readonly string[]) =>
    `Left out, because their dates cannot be read: ${titles.map((title) => title || "an event without a title").join(", ")}.`,
  blocksGo: (count: number) =>
    `${counted(count, "blocked time goes", "blocked times go")}, because the event is over or cancelled.`,
  untitled: "Without a title",
  becomes: (title: string) => `What “${title}” becomes`,
  session: "Session",
  blockedTime: "Blocked time",
  leaveOut: "Do not import",
  clientOf: (title: string) => `Client of “${title}”`,
  clientName: "Client’s name",
  times: (times: number) => (times === 1 ? "" : `${times} times`),
  moved: (moved: number) => (moved === 0 ? "" : `${moved} of them moved`),
  allDay: "all day",
  lasts: stretch,
  alreadyHere: "already here",
  someHere: (there: number) => `${there} already here`,
  elsewhere: (count: number) =>
    `${counted(count, "session is", "sessions are")} at another time here. Move ${count === 1 ? "it" : "them"} on Today.`,
  newClient: (name: string) => `${name} is added, if you have no client of that name.`,
  take: (sessions: number, blocks: number) =>
    `Import ${[sessions && counted(sessions, "event as sessions", "events as sessions"), blocks && counted(blocks, "event as blocked time", "events as blocked time")].filter(Boolean).join(" and ")}`,
  importing: "Importing …",
  importAnyway: "Import anyway",
  taken: (sessions: number, blocks: number, gone: number) => {
    const parts = [
      sessions && `${counted(sessions, "session", "sessions")} booked`,
      blocks && `${counted(blocks, "time", "times")} blocked`,
      gone && `${counted(gone, "blocked time", "blocked times")} freed`,
    ].filter(Boolean);
    return parts.length > 0 ? `${parts.join(", ")}.` : "Nothing has changed: all of it was here already.";
  },
  cancelledThere: (count: number) =>
    `${counted(count, "session is", "sessions are")} booked here, but cancelled in that calendar. ${count === 1 ? "It stays" : "They stay"} until you cancel ${count === 1 ? "it" : "them"} in the day:`,
  undoing: "Undoing …",
  undone: (kept: number) =>
    kept === 0
      ? "The import is undone."
      : `The import is undone, but ${counted(kept, "session has", "sessions have")} begun and ${kept === 1 ? "stays" : "stay"}.`,
  toTheDay: "To the day",
  blocked: "Blocked time of this day",
  deleteBlock: (title: string) => `Delete the blocked time “${title}”`,
  deletedBlock: (title: string) => `Deleted: ${title || "blocked time"}.`,
};
