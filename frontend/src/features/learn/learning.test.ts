import { expect, it } from "vitest";
import type { StartDepth } from "../../api/client";
import { paceWords, says } from "../../phrases/learning";
import { reasonWords } from "./Draft";
import { certainty, hillAt } from "./drawn";
import { seriesOf } from "./PointSteps";

const start = (more: Partial<StartDepth>): StartDepth => ({
  region: "back",
  depth: 3.5,
  mean: 3.6,
  low: 3.2,
  high: 4,
  sureness: "sure",
  basis: "last_time",
  why: "as last time",
  ask_early: false,
  answers: 6,
  held_by: "",
  ...more,
});

it("says where it starts, how sure it is, and what holds it", () => {
  expect(says(start({}))).toBe("starts at 3.5, medium; as last time; sure");
  expect(says(start({ sureness: "not_known", ask_early: true }))).toBe(
    "starts at 3.5, medium; as last time; a guess so far: ask early",
  );
  expect(says(start({ depth: 2, held_by: "care", why: "the most that is allowed" }))).toBe(
    "starts at 2, heavy lotioning; the most that is allowed; sure",
  );
});

it("draws a guess wide and low, what is known narrow and high", () => {
  const guess = { mean: 3, low: 1.8, high: 4.2 };
  const known = { mean: 3, low: 2.7, high: 3.3 };
  expect(hillAt(known, 3)).toBeGreaterThan(hillAt(guess, 3));
  expect(hillAt(guess, 4.5)).toBeGreaterThan(hillAt(known, 4.5));
  expect(hillAt(known, 3)).toBeLessThanOrEqual(1);
  expect(certainty([start({ sureness: "fairly_sure" })])["back mid"]).toBe("dashed");
});

const regions = { back: { name: "back", whole: "back", sides: "mid" } } as never;

it("gives every change of the draft its reason", () => {
  const reason = {
    region: "back",
    depth_before: 4,
    depth_after: 3,
    start: start({ depth: 2.5 }),
    points: [{ region: "back", side: "mid", zone: "erectors", numbers: [7, 5] }],
  } as never;
  expect(reasonWords(reason, { regions })).toBe(
    "Back: to depth 3 (it was 4), since it starts at 2.5, heavy lotioning; as last time; sure; more time, since a point was left: back, erectors 7, 5.",
  );
});

it("keeps the numbers of one place together, the first visit first", () => {
  const point = (numbers: number[]) => ({ region: "back", side: "mid", zone: "erectors", numbers });
  const visits = [
    { starts_at: "2026-05-04", points: [point([5, 3])] },
    { starts_at: "2026-04-04", points: [point([7, 6]), point([])] },
  ] as never;
  expect(seriesOf(visits, { regions })).toEqual([
    {
      place: "back, erectors",
      visits: [
        { at: "2026-04-04", numbers: [7, 6] },
        { at: "2026-05-04", numbers: [5, 3] },
      ],
    },
  ]);
});

it("says a pace beside the usual one", () => {
  expect([1.01, 1.12, 0.9].map(paceWords)).toEqual(["as usual", "12 % slower", "10 % faster"]);
});
