import { describe, expect, it } from "vitest";
import { add, apart, byRegion } from "./regionRows";

const MONTHS = ["2026-10-01", "2026-11-01"];
const cell = (region: string, month: string, planned: number, taken: number) => ({
  region,
  month,
  planned,
  taken,
});
const FOUND = [
  cell("neck", "2026-10-01", 100, 90),
  cell("back", "2026-10-01", 600, 700),
  cell("back", "2026-11-01", 600, 580),
];

describe("minutes by region", () => {
  it("has a cell for each month, and the longest worked region first", () => {
    expect(byRegion(FOUND, MONTHS)).toEqual([
      {
        region: "back",
        cells: [
          { planned: 600, taken: 700 },
          { planned: 600, taken: 580 },
        ],
      },
      {
        region: "neck",
        cells: [
          { planned: 100, taken: 90 },
          { planned: 0, taken: 0 },
        ],
      },
    ]);
  });

  it("adds up, and says how far a region is from its plan", () => {
    const rows = byRegion(FOUND, MONTHS);
    expect(add(rows)).toEqual({ planned: 1300, taken: 1370 });
    expect(rows.map(apart)).toEqual([80, -10]);
    expect(add([])).toEqual({ planned: 0, taken: 0 });
  });
});
