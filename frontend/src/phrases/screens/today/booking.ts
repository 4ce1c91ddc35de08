/** What is said where a session is booked, moved or cancelled. */
import type { Attendance, LocalStart, Repeat } from "../../../api/client";
import { dayInWords, hourInWords } from "../../time";
import { ATTENDANCE } from "../../today";

/** `Thu 3 Dec, 10:00`. */
function start(at: LocalStart): string {
  return `${dayInWords(at.day)}, ${hourInWords(at.at)}`;
}

function repeat(again: Repeat | null | undefined): string {
  if (!again) return "once";
  const every = again.every_weeks === 1 ? "every week" : `every ${again.every_weeks} weeks`;
  return again.until ? `${every} until ${dayInWords(again.until)}` : `${every}, ${again.count} times`;
}

export const say = {
  start,
  repeat,
  addSession: "Add a session",
  addHint: "ott 75 thu 10 · new client Mara Quill, 60, tomorrow 14:30",
  bookedWhom: "Client",
  howLong: "How long",
  whenDoesItStart: "Start",
  howOften: "How often",
  asNewClient: (name: string) => `${name}, a new client`,
  whoIsIt: "Type a name, or part of one.",
  addAsNew: (name: string) => `Add ${name} as a new client`,
  usualPlan: "The plan is your usual one; change it when you have met.",
  asLastTime: (visits: number) =>
    visits === 1
      ? "The plan is as last time, with what that visit taught."
      : `The plan is as last time, with what ${visits} visits taught.`,
  fromFlow: (name: string) => `The plan is made from “${name}”, as it is for this client.`,
  planning: "Planning it",
  nextFree: "Next free starts",
  anotherDay: "Day",
  anotherTime: "Time",
  minutesToBook: "Minutes",
  book: "Book",
  bookAnyway: "Book anyway",
  booked: (name: string, at: LocalStart) => `Booked: ${name}, ${start(at)}.`,
  alsoAt: (starts: readonly LocalStart[]) =>
    `Also on ${starts.map(({ day }) => dayInWords(day)).join(", ")}.`,
  everyWeeks: "Weeks between",
  timesInAll: "Times in all",
  untilDay: "Or until",
  justOnce: "Just once",
  repeatIt: "Repeat",
  handsByThen: (strain: string) => `strain index ${strain} by then`,
  change: (name: string) => `Change the session of ${name}`,
  moveTo: "Move or change the length",
  therapist: "Therapist",
  laterToo: "The later ones of this series too",
  looking: "Looking at the day",
  itFits: "It fits the day.",
  givesWay: (what: string) => `In the plan: ${what}`,
  keepChange: "Save the change",
  saveAnyway: "Save anyway",
  moveAnyway: "Move anyway",
  leaveWhereItIs: "Leave it where it is",
  moved: (name: string, at: LocalStart, length: string) =>
    `Moved: ${[name, start(at), length].filter(Boolean).join(", ")}.`,
  changed: (name: string, what: string) => `Changed: ${name}, ${what}.`,
  told: (name: string, attendance: Attendance) => `${name}: ${ATTENDANCE[attendance] || "expected again"}.`,
  repeated: (name: string, again: Repeat) => `Booked again: ${name}, ${repeat(again)}.`,
  isUndone: "Undone.",
  willTheyCome: "Are they coming?",
  cameLate: "Came late",
  didNotCome: "Did not come",
  cancelSession: "Cancel the session",
  comesAfterAll: "They are coming after all",
  comesAnyway: "They are coming anyway",
  aWord: "Why, if they said",
  clashesOf: "What does not fit it",
  walkIn: "Walk-in",
};
