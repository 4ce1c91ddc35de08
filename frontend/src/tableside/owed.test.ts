import { expect, it } from "vitest";
import type { RunSheet } from "../api/client";
import { UNBEGUN } from "./fold";
import { leaves, owed } from "./owed";

const sheet = {
  entries: [
    { part_id: "back", kind: "stroke", address: "back/0" },
    { part_id: "back", kind: "stroke", address: "back/1" },
    { part_id: "foot", kind: "close_window", address: "foot/close_window" },
    { part_id: "foot", kind: "stroke", address: "foot/0" },
  ],
} as unknown as RunSheet;

it("owes what was skipped without a reason, in order", () => {
  const skipped = [
    { part_id: "back", entries: ["back/1", "back/0"], reason: "" },
    { part_id: "back", entries: ["back/2"], reason: "ticklish" },
    { part_id: "foot", entries: ["foot/0"], reason: "" },
  ];
  const addresses = (part?: string) =>
    owed(sheet, { ...UNBEGUN, skipped }, part).map(({ address }) => address);
  expect(addresses()).toEqual(["back/0", "back/1", "foot/0"]);
  expect(addresses("back")).toEqual(["back/0", "back/1"]);
});

it("leaves a part with its cover, with another part, and at the end", () => {
  expect([leaves(sheet, 0, 1), leaves(sheet, 1, 2), leaves(sheet, 2, 3), leaves(sheet, 3, 3)]).toEqual([
    false,
    true,
    false,
    true,
  ]);
});
