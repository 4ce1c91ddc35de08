import { locale } from "../api/manner";

/** Seconds inside a session as `12:30`; an hour and more as `75:00`, since minutes are what is planned. */
export function clock(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}

/** Seconds in a sentence: `3 min 15 s`, `45 s`, `2 min`. */
export function span(seconds: number): string {
  const whole = Math.round(Math.abs(seconds));
  const minutes = Math.floor(whole / 60);
  const rest = whole % 60;
  if (minutes === 0) return `${rest} s`;
  return rest === 0 ? `${minutes} min` : `${minutes} min ${rest} s`;
}

/** Whether the hours are counted by twelve; then none is written `09`. */
function byTwelve(): boolean {
  return new Intl.DateTimeFormat(locale(), { hour: "numeric" }).resolvedOptions().hour12 ?? false;
}

/** The hour and minute of an instant in the practice's time zone, by 12 or 24 hours as its country counts. */
export function timeOfDay(instant: string | Date, timeZone: string): string {
  const hour = byTwelve() ? "numeric" : "2-digit";
  return new Date(instant).toLocaleTimeString(locale(), { hour, minute: "2-digit", timeZone });
}

/** `today at 11:00`, or with the date for another day, in the practice's time zone. */
export function dayAndTime(instant: string, timeZone: string, now: Date): string {
  const isoDay = (at: Date) => at.toLocaleDateString("en-CA", { timeZone });
  const day = isoDay(new Date(instant));
  return `${day === isoDay(now) ? "today" : longDate(day)} at ${timeOfDay(instant, timeZone)}`;
}

/** A day in short, in the practice's time zone: `today`, `30 Sept`, with the year if it is not this one. */
export function shortDay(instant: string, timeZone: string, now: Date): string {
  const isoDay = (at: Date) => at.toLocaleDateString("en-CA", { timeZone });
  const at = new Date(instant);
  if (isoDay(at) === isoDay(now)) return "today";
  const thisYear = isoDay(at).slice(0, 4) === isoDay(now).slice(0, 4);
  return at.toLocaleDateString(locale(), {
    day: "numeric",
    month: "short",
    ...(thisYear ? {} : { year: "numeric" }),
    timeZone,
  });
}

/** Minutes since midnight of an instant in the practice's time zone. */
export function minuteOfDay(instant: string | Date, timeZone: string): number {
  const [hour = "0", minute = "0"] = new Date(instant)
    .toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit", hourCycle: "h23", timeZone })
    .split(":");
  return Number(hour) * 60 + Number(minute);
}

/** A date as the practice writes it. `day` is ISO, without a time. */
export function longDate(day: string): string {
  return new Date(`${day}T12:00:00Z`).toLocaleDateString(locale(), {
    weekday: "long",
    day: "numeric",
    month: "long",
    timeZone: "UTC",
  });
}

/** A day as ISO date in short: `Thu 3 Dec`, with the year where it is not this one. */
export function dayInWords(day: string, now: Date = new Date()): string {
  const at = new Date(`${day}T12:00:00Z`);
  const thisYear = at.getUTCFullYear() === now.getUTCFullYear();
  return at.toLocaleDateString(locale(), {
    weekday: "short",
    day: "numeric",
    month: "short",
    ...(thisYear ? {} : { year: "numeric" }),
    timeZone: "UTC",
  });
}

/** A time of day as it is read: `10:05` or `10:05 am` of `10:05:00`. */
export function hourInWords(of: string): string {
  return timeOfDay(`1970-01-01T${clockTime(of)}:00Z`, "UTC");
}

/** A time of day as it is typed: `10:05` of `10:05:00`. */
export function clockTime(of: string): string {
  return of.slice(0, 5);
}

/** Minutes as one says a stretch of a day: `1 h 20`, `45 min`, `2 h`. */
export function stretch(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${String(rest).padStart(2, "0")}`;
}

/** A long time in hours and whole minutes: `16 h 23 min`, under an hour `52 min`. */
export function inHours(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  const hours = Math.floor(minutes / 60);
  return hours > 0 ? `${hours} h ${minutes % 60} min` : `${minutes} min`;
}
