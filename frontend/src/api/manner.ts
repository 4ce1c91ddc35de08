/** How dates, times and measures are written: as in the practice's country, until that is known as the browser does. */
import type { Me } from "./client";

export type Manner = NonNullable<Me["manner"]>;

let present: Manner = ofBrowser();

/** The language of the words is English; what the browser's own says is where its user is. */
function ofBrowser(): Manner {
  const { region } = new Intl.Locale(globalThis.navigator?.language ?? "en-GB").maximize();
  return { locale: `en-${region ?? "GB"}`, measures: region === "US" ? "us" : "metric" };
}

/** From now on all is written like this; a practice that has not told its country writes as the browser does. */
export function writeAs(manner: Manner | null | undefined) {
  present = manner ?? ofBrowser();
}

/** The language tag that dates, times and numbers are written by. */
export function locale(): string {
  return present.locale;
}

/** Whether people are measured in feet and pounds, and oil in fluid ounces. */
export function inFeet(): boolean {
  return present.measures === "us";
}
