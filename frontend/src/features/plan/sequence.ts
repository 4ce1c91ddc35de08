import type { Catalogue, Entry, Stop } from "../../api/client";
import { transitionWord } from "../../tideline/transitionWord";

/** Neighbouring stops in one position together. */
export function groupByPosition(stops: readonly Stop[]): { position: string; stops: Stop[] }[] {
  const groups: { position: string; stops: Stop[] }[] = [];
  for (const stop of stops) {
    const last = groups.at(-1);
    if (last?.position === stop.position) last.stops.push(stop);
    else groups.push({ position: stop.position, stops: [stop] });
  }
  return groups;
}

/** Which way up a flow begins, in words: `prone first`, or `supine throughout`. */
export function wayUp(stops: readonly Stop[], catalogue: Pick<Catalogue, "positions">): string {
  const [first, ...others] = groupByPosition(stops).map(({ position }) => position);
  const name = catalogue.positions[first ?? ""]?.name ?? "";
  return `${name} ${others.length > 0 ? "first" : "throughout"}`;
}

/** Seconds of working a stop, oiling and asking included, getting there not. */
export function stopSeconds(entries: readonly Entry[]): number {
  return entries.filter((entry) => entry.working).reduce((sum, entry) => sum + entry.seconds, 0);
}

/** What happens before a stop, in one line with the seconds of all of it. */
export function transitionWords(entries: readonly Entry[], catalogue: Catalogue): string {
  const seconds = entries.reduce((sum, entry) => sum + entry.seconds, 0);
  return `${entries.map((entry) => transitionWord(entry, catalogue)).join(", ")} (${seconds} s)`;
}
