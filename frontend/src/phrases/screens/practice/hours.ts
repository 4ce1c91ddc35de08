/** What is said of a therapist's hours. */
import type { Hours } from "../../../api/client";
import { hourInWords } from "../../time";
import { listed } from "../../words";

export const WEEKDAYS = [
  "Monday",
  "Tuesday",
  "Wednesday",
  "Thursday",
  "Friday",
  "Saturday",
  "Sunday",
] as const;

/** Days that follow one another are told by the first and the last. */
function days(which: readonly number[] = []): string {
  if (which.length === 0) return "on no day";
  if (which.length === 7) return "every day";
  const names = which.map((day) => WEEKDAYS[day] ?? "");
  const inARow = which.every((day, i) => i === 0 || day === (which[i - 1] ?? 0) + 1);
  return inARow && which.length > 2 ? `${names[0]} to ${names.at(-1)}` : listed(names);
}

export const say = {
  myFirstStart: ". My first session starts at ",
  myLast: ", my last at ",
  betweenTwo: " between two. Lunch: ",
  whatHoursDo: "Today points out bookings that do not fit them. Nothing that is booked is moved.",
  days,
  workingDays: "Working days",
  firstStart: "First start",
  lastStart: "Last start",
  gap: "Gap between sessions",
  gapMinutes: "Minutes between two",
  lunch: (lunch: Hours["lunch"]) =>
    lunch ? `${hourInWords(lunch.starts)} for ${lunch.minutes} min` : "none",
  noLunch: "No lunch break",
  usualHours: "These are the usual hours. Are they yours?",
  keepHours: "Yes, keep them",
  saved: "Saved.",
};
