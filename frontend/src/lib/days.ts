/** Days as ISO dates, `2026-12-03`; no zone, no hour. */

/** The day so many days later. */
export function addDays(day: string, days: number): string {
  const at = new Date(`${day}T12:00:00Z`);
  at.setUTCDate(at.getUTCDate() + days);
  return at.toISOString().slice(0, 10);
}

/** Minutes since midnight of a time of day: `10:05` or `10:05:00`. */
export function minuteOf(time: string): number {
  const [hour = "0", minute = "0"] = time.split(":");
  return Number(hour) * 60 + Number(minute);
}

/** The time of day at so many minutes since midnight, also past it: 1450 is `00:10`. */
export function timeAt(minute: number): string {
  const of = ((minute % 1440) + 1440) % 1440;
  return `${String(Math.floor(of / 60)).padStart(2, "0")}:${String(of % 60).padStart(2, "0")}`;
}
