import { describe, expect, it } from "vitest";
import type { Entry, RunSheet } from "../api/client";
import { placeLabels } from "./labels";
import { layTide } from "./layout";
import { profileOf } from "./profile";
import { smallSwells, THINNEST } from "./swells";

const MARGINS = { left: 10, right: 10, top: 20, bottom: 40 };
const SIZE = { width: 1020, height: 260 };

let clock = 0;
let parts = -1;
function entry(over: Partial<Entry>): Entry {
  const made = {
    kind: "stroke",
    start: clock,
    seconds: 60,
    part: parts,
    part_id: `part${parts}`,
    role: "work",
    region: "back",
    side: "mid",
    position: "prone",
    place: "head",
    window: "none",
    window_side: "mid",
    hands: "oiled",
    about: "",
    about_side: "mid",
    depth: 2,
    ...over,
  } as Entry;
  clock += made.seconds;
  return made;
}

function part(side: Entry["side"], depths: number[], over: Partial<Entry> = {}): Entry[] {
  parts += 1;
  return depths.map((depth) => entry({ side, depth, ...over }));
}

function sheetOf(make: () => Entry[]): RunSheet {
  clock = 0;
  parts = -1;
  const entries = make();
  return { entries, seconds: clock, hands_on_seconds: clock, open_ended: false };
}

const mirrored = sheetOf(() => [
  ...part("mid", [1, 3, 1], { window: "back" }),
  ...part("right", [1, 4, 1], { region: "foot", place: "foot" }),
  ...part("left", [1, 4, 1], { region: "foot", place: "foot" }),
  entry({ kind: "turn", seconds: 120 }),
  entry({ kind: "bolster", seconds: 20 }),
  entry({ kind: "walk", seconds: 10 }),
  ...part("mid", [2], { region: "scalp", position: "supine" }),
]);

describe("the tide line's layout", () => {
  const tide = layTide(mirrored, SIZE, MARGINS);

  it("spans the session between its margins", () => {
    expect(tide.x(0)).toBe(10);
    expect(tide.x(mirrored.seconds)).toBe(1010);
    expect(tide.horizon).toBe(20 + 100);
  });

  it("draws the right above, the left below and the middle both ways", () => {
    const sides = tide.swells.map((s) => [s.side, s.above !== "", s.below !== ""]);
    expect(sides).toEqual([
      ["mid", true, true],
      ["right", true, false],
      ["left", false, true],
      ["mid", true, true],
    ]);
  });

  it("makes equal sides a mirror image", () => {
    const [right, left] = [tide.swells[1], tide.swells[2]];
    const points = (path: string) =>
      [...path.matchAll(/(-?[\d.]+),(-?[\d.]+)/g)].map((m) => [Number(m[1]), Number(m[2])]);
    const shift = (left?.x0 ?? 0) - (right?.x0 ?? 0);
    const above = points(right?.above ?? "");
    const below = points(left?.below ?? "");
    expect(above.length).toBe(below.length);
    above.forEach(([x = 0, y = 0], i) => {
      expect(below[i]?.[0]).toBeCloseTo(x + shift, 1);
      expect((below[i]?.[1] ?? 0) - tide.horizon).toBeCloseTo(tide.horizon - y, 1);
    });
  });

  it("gives depth as height, five at the full amplitude", () => {
    expect(tide.swells.map((s) => s.crest)).toEqual([60, 80, 80, 40]);
  });

  it("shows turning as one slack and the rest as notches", () => {
    expect(tide.slack.map((s) => s.seconds)).toEqual([140]);
    expect(tide.notches.map((n) => n.kind)).toEqual(["walk"]);
  });

  it("joins neighbouring entries of one window and one place", () => {
    expect(tide.windows.map((w) => w.name)).toEqual(["back", "none"]);
    expect(tide.places.map((p) => [p.name, p.seconds])).toEqual([
      ["head", 180],
      ["foot", 360],
      ["head", 210],
    ]);
  });

  it("marks minutes as densely as there is room", () => {
    expect(layTide(mirrored, { width: 320, height: 200 }, MARGINS).ticks.map((t) => t.minute)).toEqual([
      0, 5, 10,
    ]);
    const long = sheetOf(() => part("mid", [1], { seconds: 6600 }));
    expect(layTide(long, { width: 320, height: 200 }, MARGINS).ticks.map((t) => t.minute)).toEqual([
      0, 15, 30, 45, 60, 75, 90, 105,
    ]);
  });

  it("flows what lies under one cover together in small pictures", () => {
    const under = (window: string, window_side: Entry["side"]) => ({ window, window_side });
    const legs = sheetOf(() => [
      ...part("right", [2, 3], under("leg", "right")),
      ...part("right", [2], under("leg", "right")),
      ...part("left", [2], under("leg", "left")),
    ]);
    const swells = smallSwells(legs, SIZE, MARGINS).swells;
    expect(swells.map(({ partIds, side }) => [partIds, side])).toEqual([
      [["part0", "part1"], "right"],
      [["part2"], "left"],
    ]);
  });

  it("draws work on both sides under one cover above and below", () => {
    const back = sheetOf(() => [...part("right", [3]), ...part("left", [3])]);
    const [swell, ...others] = smallSwells(back, SIZE, MARGINS).swells;
    expect(others).toEqual([]);
    expect(swell?.above && swell.below).toBeTruthy();
  });

  it("draws nothing thinner than six pixels in a small picture", () => {
    const many = sheetOf(() =>
      Array.from({ length: 30 }, (_, n) => part("mid", [2], { window: `window${n}`, seconds: 20 })).flat(),
    );
    for (const width of [60, 120, 170, 900])
      for (const { x0, x1 } of smallSwells(many, { width, height: 44 }, MARGINS).swells)
        expect(x1 - x0).toBeGreaterThanOrEqual(THINNEST);
  });
});

describe("a depth profile", () => {
  const spans = [1, 4, 2].map((depth, i) => ({ start: i * 60, seconds: 60, depth }));
  const profile = profileOf(spans, { shore: 30, blur: 0.07 });

  it("begins and ends on the horizon and reaches the deepest stroke's own depth", () => {
    expect(profile[0]).toEqual([0, 0]);
    expect(profile.at(-1)).toEqual([180, 0]);
    expect(Math.max(...profile.map(([, depth]) => depth))).toBeCloseTo(4);
  });

  it("has its crest where the deepest stroke is", () => {
    const crest = profile.reduce((best, point) => (point[1] > best[1] ? point : best));
    expect(crest[0]).toBeGreaterThan(60);
    expect(crest[0]).toBeLessThan(120);
  });
});

describe("labels", () => {
  it("never cover one another and stay in their room", () => {
    const crowded = sheetOf(() =>
      Array.from({ length: 20 }, () => part("right", [3], { seconds: 45 })).flat(),
    );
    const tide = layTide(crowded, SIZE, MARGINS);
    const labels = placeLabels(tide.swells, () => "shoulder", 110);
    expect(labels.length).toBeGreaterThan(4);
    const width = 8 * 7.4;
    for (const a of labels)
      for (const b of labels)
        if (a !== b && a.rise === b.rise) expect(Math.abs(a.x - b.x)).toBeGreaterThanOrEqual(width);
    expect(Math.max(...labels.map((label) => label.rise + 17))).toBeLessThanOrEqual(110);
  });

  it("hang below for the left", () => {
    const tide = layTide(mirrored, SIZE, MARGINS);
    const rises = placeLabels(tide.swells, (region) => region, 120).map((label) => Math.sign(label.rise));
    expect(rises).toEqual([1, 1, -1, 1]);
  });
});
