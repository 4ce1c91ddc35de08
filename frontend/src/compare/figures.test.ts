import { expect, it } from "vitest";
import type { Difference, Evaluation } from "../api/client";
import { figuresOf, minutesByRegion } from "./figures";

const traits = (turns: number, by_region: Record<string, number>) => ({
  turns,
  walks: 1,
  between: 60,
  on_focus: 0,
  by_region,
  thumb_share: 0,
});
const difference = {
  before: traits(1, { back: 600, foot: 100 }),
  after: traits(2, { back: 500, face: 120 }),
} as unknown as Difference;
const evaluation = (depth: number, left: number) =>
  ({
    verdicts: { apart: Math.abs(left - 100) },
    hands: { strain: 2 },
    supplies: { millilitres: 20 },
    findings: [],
    sheet: {
      entries: [
        { kind: "stroke", seconds: 60, depth },
        { kind: "walk", seconds: 9 },
      ],
    },
  }) as unknown as Evaluation;

it("names what differs, and only that", () => {
  const found = figuresOf(difference, evaluation(3, 100), evaluation(4, 130));
  const differing = found.filter((figure) => figure.differs).map((figure) => figure.name);
  expect(differing).toEqual(["Turns", "Left against right", "Deepest", "Mean depth"]);
  expect(found.find((figure) => figure.name === "Mean depth")).toMatchObject({ first: "3.0", second: "4.0" });
});

it("has every region of either, the longest first", () => {
  const regions = minutesByRegion(difference, (id) => id);
  expect(regions.map(({ name, first, second }) => [name, first, second])).toEqual([
    ["Back", 600, 500],
    ["Face", 0, 120],
    ["Foot", 100, 0],
  ]);
});
