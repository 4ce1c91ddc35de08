import { expect, it } from "vitest";
import type { RunSheet } from "../../api/client";
import { giveWords, progressWords } from "./giving";

const entry = (part_id: string, region: string, seconds: number, role = "work") => ({
  part_id,
  region,
  role,
  seconds,
  working: true,
});
const sheet = {
  entries: [
    entry("back", "back", 600),
    entry("foot-right", "foot", 240),
    entry("foot-left", "foot", 240),
    entry("close", "scalp", 60, "close"),
  ],
} as unknown as RunSheet;
const regions = {
  foot: { whole: "feet", sides: "pair" },
  back: { whole: "back", sides: "mid" },
} as never;

it.each([
  [{ "foot-right": 180, "foot-left": 180, close: 60 }, "Feet 1 min less each side", ["foot"]],
  [{ "foot-right": 0, "foot-left": 0, close: 60 }, "Feet left out", ["foot"]],
  [{ "foot-right": 300, "foot-left": 300 }, "Feet 1 min more each side", []],
  [{ back: 590 }, "A little less elsewhere", []],
  [{ close: 60 }, "", []],
])("what gives way is said alike for both sides: %o", (seconds, line, gives) => {
  expect(giveWords({ seconds, short_by: 0 }, sheet, { allotted: {} }, { regions })).toEqual({
    line,
    regions: gives,
  });
});

it("says how far off the plan is", () => {
  expect([0, 19, 32, -45, 95, -600].map(progressWords)).toEqual([
    "On time",
    "On time",
    "30 s behind",
    "45 s ahead",
    "2 min behind",
    "10 min ahead",
  ]);
});
