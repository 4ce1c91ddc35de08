import { expect, it } from "vitest";
import type { RunSheet, TableSide } from "../api/client";
import { pastLeftOut, type TableEntry } from "./past";

const entry = (part: number, kind: string, seconds: number, working: boolean) =>
  ({
    part,
    part_id: `s${part}`,
    kind,
    seconds,
    working,
    about: "",
    about_side: "mid",
  }) as unknown as TableEntry;
const sheet = {
  entries: [
    entry(0, "stroke", 20, true),
    entry(1, "turn", 120, false),
    entry(1, "open_window", 25, false),
    entry(1, "stroke", 100, true),
    entry(2, "close_window", 20, false),
    entry(2, "announce", 2, false),
    entry(2, "stroke", 90, true),
    entry(3, "stroke", 30, true),
  ],
} as unknown as RunSheet;
const change = (kind: string, seconds: number) => ({ kind, seconds, about: "supine", about_side: "mid" });
const ways = [
  { start: 0, to: 2, changes: [change("close_window", 20), change("turn", 120), change("announce", 2)] },
  { start: 0, to: 3, changes: [change("turn", 120)] },
  { start: 1, to: 3, changes: [] },
] as unknown as TableSide["ways"];

it("keeps the turn when the first part after it is left out", () => {
  const past = pastLeftOut(sheet, { s1: 0 }, ways).entries as TableEntry[];
  expect(past[4]).toMatchObject({ kind: "turn", seconds: 142, about: "supine" });
  expect(past[4]?.way?.map(({ kind }) => kind)).toEqual(["close_window", "turn", "announce"]);
  expect(past[5]?.seconds).toBe(0);
  expect(past.slice(6)).toEqual(sheet.entries.slice(6));
  expect(past).toHaveLength(sheet.entries.length);
});

it("is the sheet itself while nothing is left out, or the ways are not known", () => {
  expect(pastLeftOut(sheet, { s1: 60 }, ways)).toBe(sheet);
  expect(pastLeftOut(sheet, { s1: 0 }, undefined)).toBe(sheet);
});
