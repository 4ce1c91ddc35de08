/** What gives way and how far off the plan is, in words. */
import type { Catalogue, RunSheet, RunState } from "../../api/client";
import type { Bending } from "../../tableside/bending";
import { workOf } from "../../tableside/schedule";
import { span } from "../time";
import { capital } from "../words";

/** Seconds a side below which a change is not named. */
const SAID = 15;
/** Seconds by which a session may be off and still be on time. */
const ON_TIME = 20;

export interface Given {
  /** What gives way, in one line; empty if nothing does. */
  line: string;
  /** The regions that would be left out or shortened. */
  regions: string[];
}

/** What becomes of the regions ahead, the first of each pair for both. */
export function giveWords(
  { seconds }: Bending,
  sheet: RunSheet,
  run: Pick<RunState, "allotted">,
  { regions }: Pick<Catalogue, "regions">,
): Given {
  const moved = new Map<string, { before: number; after: number }>();
  for (const { part_id, region, role } of sheet.entries) {
    const after = seconds[part_id];
    if (role === "work" && after !== undefined)
      moved.set(region, { before: workOf(sheet, run, part_id), after });
  }
  const words = [...moved].flatMap(([region, { before, after }]) => {
    const name = regions[region]?.whole ?? region;
    if (after === 0 && before > 0) return [`${name} left out`];
    const pair = regions[region]?.sides === "pair" ? " each side" : "";
    if (Math.abs(after - before) < SAID) return [];
    return [`${name} ${span(Math.abs(after - before))} ${after < before ? "less" : "more"}${pair}`];
  });
  const unsaid = [...moved.values()].some(({ before, after }) => after < before && after > before - SAID);
  if (unsaid) words.push("a little less elsewhere");
  const gives = [...moved].filter(([, { before, after }]) => after <= before - SAID);
  return { line: capital(words.join(", ")), regions: gives.map(([region]) => region) };
}

/** On time, or how far off: positive is behind, in seconds. */
export function progressWords(seconds: number): string {
  if (Math.abs(seconds) < ON_TIME) return "On time";
  const rounded = Math.abs(seconds) >= 60 ? Math.round(seconds / 60) * 60 : Math.round(seconds / 5) * 5;
  return `${span(rounded)} ${seconds > 0 ? "behind" : "ahead"}`;
}
