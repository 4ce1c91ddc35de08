import { locale } from "../../api/manner";

/** What a month is called: `November 2026`, or in short `Nov`; `first` is its first day as ISO date. */
export function monthName(first: string, short = false): string {
  const form = short ? ({ month: "short" } as const) : ({ month: "long", year: "numeric" } as const);
  return new Date(`${first}T12:00:00Z`).toLocaleDateString(locale(), { ...form, timeZone: "UTC" });
}
