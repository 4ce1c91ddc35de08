import { expect, it } from "vitest";
import type { RunSheet } from "../../api/client";
import { leaves, owed } from "./owed";
import { UNBEGUN } from "./runState";

const sheet = {
  entries: [
    { stop_id: "back", kind: "stroke" },
    { stop_id: "back", kind: "stroke" },
    { stop_id: "foot", kind: "close_window" },
    { stop_id: "foot", kind: "stroke" },
  ],
} as unknown as RunSheet;

it("owes what was skipped without a reason, in order", () => {
  const skipped = [
    { stop_id: "back", entries: [4, 2], reason: "" },
    { stop_id: "back", entries: [3], reason: "ticklish" },
    { stop_id: "foot", entries: [1], reason: "" },
  ];
  expect(owed({ ...UNBEGUN, skipped })).toEqual([1, 2, 4]);
  expect(owed({ ...UNBEGUN, skipped }, "back")).toEqual([2, 4]);
});

it("leaves a stop with its cover, with another stop, and at the end", () => {
  expect([leaves(sheet, 0, 1), leaves(sheet, 1, 2), leaves(sheet, 2, 3), leaves(sheet, 3, 3)]).toEqual([
    false,
    true,
    false,
    true,
  ]);
});
