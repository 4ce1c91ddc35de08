/** The run sheet once parts are left out: what must happen on the way past them is there, and what need not is gone. */
import type { Entry, RunSheet, RunState, TableSide } from "../api/client";

export type Change = TableSide["ways"][number]["changes"][number];

/** An entry that stands for a whole way past what is left out; its other changes are told with it. */
export type TableEntry = Entry & { way?: readonly Change[] };

/** What a way is called by: the change that is not to be missed. */
const FOREMOST: readonly Entry["kind"][] = ["turn", "sit_back", "wash", "open_window", "close_window"];

/**
 * The sheet with the same entries at the same places. Where the part before is left out, the first entry of the next
 * one becomes the way from the last that is worked, and the rest of its getting there takes no time.
 */
export function pastLeftOut(
  sheet: RunSheet,
  allotted: RunState["allotted"],
  ways: TableSide["ways"] | undefined,
): RunSheet {
  if (!ways || !Object.values(allotted).includes(0)) return sheet;
  const first = new Map<number, Entry>();
  for (const entry of sheet.entries) if (!first.has(entry.part)) first.set(entry.part, entry);
  const cameFrom = new Map<number, number>();
  let last = 0;
  for (const [part, { part_id }] of first) {
    if (allotted[part_id] === 0) continue;
    cameFrom.set(part, last);
    last = part;
  }
  const seen = new Set<number>();
  return {
    ...sheet,
    entries: sheet.entries.map((entry): TableEntry => {
      const from = cameFrom.get(entry.part);
      const way = ways.find(({ start, to }) => start === from && to === entry.part);
      if (!way || entry.working) return entry;
      if (seen.has(entry.part)) return { ...entry, seconds: 0 };
      seen.add(entry.part);
      return asWay(entry, way.changes);
    }),
  };
}

function asWay(entry: Entry, changes: readonly Change[]): TableEntry {
  const chief = FOREMOST.flatMap((kind) => changes.find((one) => one.kind === kind) ?? [])[0] ?? changes[0];
  const seconds = changes.reduce((sum, one) => sum + one.seconds, 0);
  if (!chief) return { ...entry, seconds };
  const { kind, about, about_side } = chief;
  return { ...entry, kind, about, about_side, seconds, way: changes };
}

/** A cover that settles while one walks is told together with the walk. */
export function withWalk(entry: TableEntry, sheet: RunSheet): TableEntry {
  const next = sheet.entries[sheet.entries.findIndex(({ address }) => address === entry.address) + 1];
  const meanwhile = next?.kind === "walk" && next.seconds === 0 && next.part === entry.part;
  if (entry.way || entry.kind !== "close_window" || !meanwhile) return entry;
  return { ...entry, way: [changeOf(entry), changeOf(next)] };
}

function changeOf({ kind, seconds, about = "", about_side = "mid" }: Entry): Change {
  return { kind: kind as Change["kind"], seconds, about, about_side };
}
