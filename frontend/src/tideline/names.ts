/** What a swell is called, and what a screen reader says of it. */
import type { Catalogue, RunSheet } from "../api/client";
import { say } from "../phrases/screens/tideline";
import { clock, span } from "../phrases/time";
import { sided } from "../phrases/words";
import type { Swell } from "./swells";

export function nameOf(swell: Pick<Swell, "region" | "side">, catalogue: Catalogue): string {
  const region = catalogue.regions[swell.region];
  return region ? sided(region, swell.side) : swell.region;
}

export function describe(swell: Swell, catalogue: Catalogue): string {
  const name = nameOf(swell, catalogue);
  const what = {
    open: say.firstContact(name),
    close: say.close(name),
    integrate: say.forWhole(name),
    work: name,
  }[swell.role];
  return say.partFrom(what, span(swell.end - swell.start), clock(swell.start), swell.deepest);
}

/** Whole seconds of working a part, oiling and asking included. */
export function secondsOf(sheet: RunSheet, partId: string): number {
  const own = sheet.entries.filter((entry) => entry.part_id === partId && entry.working);
  return own.reduce((sum, entry) => sum + entry.seconds, 0);
}
