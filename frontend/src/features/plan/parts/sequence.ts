import type { Catalogue, Entry, Part, WorkedPassage } from "../../../api/client";
import { transitionWord } from "../../../phrases/transitionWord";

/** Neighbouring parts in one position together. */
export function groupByPosition(parts: readonly Part[]): { position: string; parts: Part[] }[] {
  const groups: { position: string; parts: Part[] }[] = [];
  for (const part of parts) {
    const last = groups.at(-1);
    if (last?.position === part.position) last.parts.push(part);
    else groups.push({ position: part.position, parts: [part] });
  }
  return groups;
}

/** Neighbouring parts that are worked as one together; a part that stands alone has no passage. */
export function groupByPassage(
  parts: readonly Part[],
  passages: readonly WorkedPassage[],
): { passage: WorkedPassage | null; parts: Part[] }[] {
  const groups: { passage: WorkedPassage | null; parts: Part[] }[] = [];
  for (const part of parts) {
    const passage = passages.find((one) => one.parts.includes(part.id)) ?? null;
    const last = groups.at(-1);
    if (passage && last?.passage?.id === passage.id) last.parts.push(part);
    else groups.push({ passage, parts: [part] });
  }
  return groups;
}

/** What happens before a part, without resting the hands there. */
export function between(entries: readonly Entry[]): Entry[] {
  return entries.filter((entry) => !entry.working && entry.kind !== "announce");
}

/** Which way up a flow begins, in words: `prone first`, or `supine throughout`. */
export function wayUp(parts: readonly Part[], catalogue: Pick<Catalogue, "positions">): string {
  const [first, ...others] = groupByPosition(parts).map(({ position }) => position);
  const name = catalogue.positions[first ?? ""]?.name ?? "";
  return `${name} ${others.length > 0 ? "first" : "throughout"}`;
}

/** Seconds of working a part, oiling and asking included, getting there not. */
export function partSeconds(entries: readonly Entry[]): number {
  return entries.filter((entry) => entry.working).reduce((sum, entry) => sum + entry.seconds, 0);
}

/** When the work on a part begins, in seconds from the first touch; getting there comes before it. */
export function partStart(entries: readonly Entry[]): number {
  return (entries.find((entry) => entry.working) ?? entries[0])?.start ?? 0;
}

/** What happens before a part, in one line with the seconds of all of it. */
export function transitionWords(entries: readonly Entry[], catalogue: Catalogue): string {
  const seconds = entries.reduce((sum, entry) => sum + entry.seconds, 0);
  return `${entries.map((entry) => transitionWord(entry, catalogue)).join(", ")} (${seconds} s)`;
}
