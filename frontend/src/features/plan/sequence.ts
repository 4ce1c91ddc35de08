import type { Catalogue, Entry, Stop } from "../../api/client";
import { walkWords } from "../../lib/words";

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

function inWords(entry: Entry, catalogue: Catalogue): string {
  const window = catalogue.windows[entry.about]?.name ?? entry.about;
  const side = entry.about_side === "mid" ? "" : `${entry.about_side} `;
  switch (entry.kind) {
    case "turn":
      return `turn to ${catalogue.positions[entry.about]?.name ?? entry.about}`;
    case "sit_back":
      return catalogue.positions[entry.about]?.name ?? entry.about;
    case "bolster":
      return "move the bolster";
    case "stool":
      return entry.about === "fetch" ? "fetch the stool" : "put the stool back";
    case "height":
      return entry.about === "low" ? "table down" : "table up";
    case "towel":
      return "fetch a hot towel";
    case "wipe":
      return "wipe the hands";
    case "walk":
      return walkWords(entry.about, entry.position);
    case "wash":
      return "wash hands";
    case "open_window":
      return `uncover the ${side}${window}`;
    case "close_window":
      return `cover the ${side}${window}`;
    default:
      return entry.kind;
  }
}

/** What happens before a stop, in one line with the seconds of all of it. */
export function transitionWords(entries: readonly Entry[], catalogue: Catalogue): string {
  const seconds = entries.reduce((sum, entry) => sum + entry.seconds, 0);
  return `${entries.map((entry) => inWords(entry, catalogue)).join(", ")} (${seconds} s)`;
}
