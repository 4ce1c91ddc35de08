/** Sessions under way: what this side makes of them is what the core makes of them. */
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { Entry, ReplanTables, RunSheet, RunState, TableSide } from "../api/client";
import { bend } from "./bending";
import { duringEntry, roundOver, roundStart } from "./labour";
import { leaves, owed } from "./owed";
import { pastLeftOut } from "./past";
import { begunLate, behind, elapsed, partSecondsLeft, progress, stillNeeded, waterLevel } from "./progress";
import { neighbour, schedule } from "./schedule";

interface Case {
  run: RunState;
  now: string;
  starts_at: string;
  first_touch_seconds: number;
  total: number;
  keep: string[];
  expected: Record<string, unknown> & { seconds: number[]; past: [Entry["kind"], number][] };
}
interface Session {
  sheet: RunSheet;
  tables: ReplanTables;
  ways: TableSide["ways"];
  cases: Case[];
}

const vectors: Record<string, Session> = JSON.parse(readFileSync("../tests/vectors/running.json", "utf-8"));

/** Both sides reckon in floating point; a billionth is no difference. */
const close = (value: unknown) => (typeof value === "number" ? Math.round(value * 1e9) / 1e9 || 0 : value);

describe.each(Object.entries(vectors))("%s", (_, { sheet, tables, ways, cases }) => {
  it.each(cases.map((one, index) => [index, one] as const))("case %i", (_, one) => {
    const { run, total, expected } = one;
    const now = Date.parse(one.now);
    const due = Date.parse(one.starts_at) + one.first_touch_seconds * 1000;
    const on = neighbour(sheet, run, 1);
    const found = {
      on,
      back: neighbour(sheet, run, -1),
      leaves: leaves(sheet, run.entry, on),
      owed: owed(sheet, run).map(({ address }) => address),
      elapsed: elapsed(run, now),
      behind: behind(run, sheet, now),
      still_needed: stillNeeded(run, sheet, now),
      seconds_left: partSecondsLeft(run, sheet, now),
      water_level: waterLevel(run, sheet, now),
      progress: progress(run, sheet),
      begun_late: begunLate(run, sheet, due, now),
      bent: bend(tables, sheet, run, total, now, new Set(one.keep)),
      during: duringEntry(sheet, run)?.address ?? null,
      round_start: roundStart(sheet),
      round_over: roundOver(sheet, run),
    };
    for (const [name, value] of Object.entries(found))
      expect([name, close(value)]).toEqual([name, close(expected[name])]);
    expect(schedule(sheet, run).map(({ seconds }) => close(seconds))).toEqual(expected.seconds.map(close));
    const past = pastLeftOut(sheet, run.allotted, ways).entries;
    expect(past.map(({ kind, seconds }) => [kind, seconds])).toEqual(expected.past);
  });
});

it("is the sheet itself while the ways past a part are not known", () => {
  const { sheet } = Object.values(vectors)[0] as Session;
  expect(pastLeftOut(sheet, { [sheet.entries[0]?.part_id ?? ""]: 0 }, undefined)).toBe(sheet);
});
