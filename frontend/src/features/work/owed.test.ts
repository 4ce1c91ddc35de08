import { expect, it } from "vitest";
import type { RunSheet } from "../../api/client";
import { leaves, owed } from "./owed";
import { UNBEGUN } from "./runState";

const sheet = {
  entries: [
    { part_id: "back", kind: "stroke" },
    { part_id: "back", kind: "stroke" },
    { part_id: "foot", kind: "close_window" },
    { part_id: "foot", kind: "stroke" },
  ],
} as unknown as RunSheet;

it("owes what was skipped without a reason, in order", () => {
  const skipped = [
    { part_id: "back", entries: [4, 2], reason: "" },
    { part_id: "back", entries: [3], reason: "ticklish" },
    { part_id: "foot", entries: [1], reason: "" },
  ];
  expect(owed({ ...UNBEGUN, skipped })).toEqual([1, 2, 4]);
  expect(owed({ ...UNBEGUN, skipped }, "back")).toEqual([2, 4]);
});

it("leaves a part with its cover, with another part, and at the end", () => {
  expect([leaves(sheet, 0, 1), leaves(sheet, 1, 2), leaves(sheet, 2, 3), leaves(sheet, 3, 3)]).toEqual([
    false,
    true,
    false,
    true,
  ]);
});
