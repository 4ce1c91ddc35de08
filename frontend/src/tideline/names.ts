/** What a swell is called, and what a screen reader says of it. */
import type { Catalogue, RunSheet } from "../api/client";
import { clock, span } from "../phrases/time";
import { sided } from "../phrases/words";
import type { Swell } from "./layout";

export function nameOf(swell: Pick<Swell, "region" | "side">, catalogue: Catalogue): string {
  const region = catalogue.regions[swell.region];
  return region ? sided(region, swell.side) : swell.region;
}

export function describe(swell: Swell, catalogue: Catalogue): string {
  const name = nameOf(swell, catalogue);
  const what = {
    open: `first contact, ${name}`,
    close: `close, ${name}`,
    integrate: `for the whole, ${name}`,
    work: name,
  }[swell.role];
  return `${what}, ${span(swell.end - swell.start)} from ${clock(swell.start)}, depth up to ${swell.deepest}`;
}

/** Whole seconds of working a part, oiling and asking included. */
export function secondsOf(sheet: RunSheet, partId: string): number {
  const own = sheet.entries.filter((entry) => entry.part_id === partId && entry.working);
  return own.reduce((sum, entry) => sum + entry.seconds, 0);
}
