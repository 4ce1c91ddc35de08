import { describe, expect, it } from "vitest";
import type { Landing } from "../../api/client";
import type { Swell } from "../swells";
import { gaps, landingWords, nearestGap, nextLanding } from "./landing";
import { moved, zoomed } from "./view";

const swell = (partId: string, x0: number, x1: number) => ({ partId, x0, x1 }) as Swell;
const SWELLS = [
  swell("open", 0, 10),
  swell("back", 20, 100),
  swell("foot", 120, 160),
  swell("close", 170, 180),
];
const landing = (at: number, over: Partial<Landing> = {}) =>
  ({ at, position: "prone", why_not: "", warns: "", seconds: 0, here: false, edits: [], ...over }) as Landing;

describe("dropping a part", () => {
  it("has a place before, between and after all the others", () => {
    expect(gaps(SWELLS, ["back"], 0, 200)).toEqual([
      { at: 0, x: 0 },
      { at: 1, x: 65 },
      { at: 2, x: 165 },
      { at: 3, x: 200 },
    ]);
  });

  it("goes to the place nearest to the pointer", () => {
    const places = gaps(SWELLS, ["back"], 0, 200);
    expect(nearestGap(places, 150)?.at).toBe(2);
    expect(nearestGap(places, -40)?.at).toBe(0);
    expect(nearestGap([], 3)).toBeUndefined();
  });

  it("goes by keys to the next place where it may, and says what was in the way", () => {
    const places = [
      landing(0, { why_not: "first" }),
      landing(1, { here: true }),
      landing(2, { why_not: "no" }),
      landing(3),
    ];
    expect(nextLanding(places, 1)).toEqual({ landing: places[3], blocked: "no" });
    expect(nextLanding(places, -1)).toEqual({ landing: undefined, blocked: "first" });
  });

  it("says what letting go would do", () => {
    expect(landingWords("back", undefined)).toMatch(/^Finding/);
    expect(landingWords("back", landing(1, { here: true }))).toBe("back is here");
    expect(landingWords("back", landing(1, { why_not: "no" }))).toBe("Not here: no");
    expect(landingWords("back", landing(1, { seconds: 65 }))).toBe(
      "back here: 1 min 5 s more between strokes",
    );
    expect(landingWords("back", landing(1, { seconds: -5 }))).toBe("back here: 5 s less between strokes");
  });
});

describe("bringing the line nearer", () => {
  const whole = { from: 0, to: 3000 };

  it("keeps the point under the wheel where it is", () => {
    const near = zoomed(whole, 3000, 0.25, 0.5);
    expect(near).toEqual({ from: 375, to: 1875 });
    expect((near?.from ?? 0) + 0.25 * 1500).toBe(750);
  });

  it("is the whole session again, and never less than can be told apart", () => {
    expect(zoomed({ from: 100, to: 2000 }, 3000, 0.5, 9)).toBeNull();
    expect(zoomed({ from: 100, to: 150 }, 3000, 0.5, 0.01)).toEqual({ from: 105, to: 145 });
  });

  it("stays within the session", () => {
    expect(moved({ from: 100, to: 400 }, 3000, -500)).toEqual({ from: 0, to: 300 });
    expect(moved({ from: 100, to: 400 }, 3000, 5000)).toEqual({ from: 2700, to: 3000 });
  });
});
