import { describe, expect, it } from "vitest";
import type { Catalogue } from "../api/client";
import { layTablePlan, sidedZoneSpots, zoneSpots } from "./layout";
import type { Moment } from "./moment";
import { postureOf } from "./postures";
import { ZONES } from "./zones";

const region = (name: string, whole: string, sides: "mid" | "pair", zones: string[] = []) => ({
  id: name,
  name,
  whole,
  sides,
  zones,
});
const NAMES = {
  regions: {
    back: region("back", "back", "mid", ["erectors"]),
    foot: region("foot", "feet", "pair"),
    hips: region("hip", "hips", "pair"),
  },
  windows: {
    none: { name: "nothing", uncovers: [] },
    leg_back: { name: "leg, behind", uncovers: ["hips"] },
    foot: { name: "feet", uncovers: ["foot"] },
  },
  positions: {
    prone: { name: "prone" },
    supine: { name: "supine" },
    seated_leaning: { name: "seated, leaning forward" },
  },
  strokes: { kneading: { name: "kneading", direction: "across" } },
} as unknown as Catalogue;
for (const [id, entry] of Object.entries(NAMES.regions)) entry.id = id;

const MOMENT: Moment = {
  entry: {
    position: "prone",
    place: "right",
    seated: false,
    window: "leg_back",
    window_side: "right",
    region: "hips",
    side: "right",
    kind: "stroke",
    role: "work",
    stroke: "kneading",
    zone: null,
  },
  surface: "table",
  excluded: [],
  barred: [],
  pregnant: false,
};
const at = (entry: Partial<Moment["entry"]>, rest: Partial<Moment> = {}) =>
  layTablePlan({ ...MOMENT, ...rest, entry: { ...MOMENT.entry, ...entry } }, NAMES);
const height = (path: string) => Number(path.match(/^M[\d.-]+ ([\d.-]+)/)?.[1]);

describe("the table plan", () => {
  it("turns the client over: the right is up when prone and down when supine", () => {
    expect(at({}).rightIsUp).toBe(true);
    expect(at({ position: "supine" }).rightIsUp).toBe(false);
    const foot = (position: string) => at({ position, region: "foot" }).worked[0] ?? "";
    expect(height(foot("prone"))).toBeLessThan(64);
    expect(height(foot("supine"))).toBeGreaterThan(64);
  });

  it("puts the feet on the side where the therapist stands, and a stool where they sit", () => {
    expect(at({}).feet.every(([, y]) => y < 64)).toBe(true);
    expect(at({ place: "left" }).feet.every(([, y]) => y > 64)).toBe(true);
    expect(at({ place: "head" }).feet.every(([x]) => x < 28)).toBe(true);
    const seated = at({ place: "head", seated: true });
    expect([seated.feet.length, seated.seat === null]).toEqual([0, false]);
    // Behind one who is seated is where the head of a table would be.
    expect(at({ position: "seated_leaning", place: "head" }).feet[0]?.[0]).toBeGreaterThan(118);
  });

  it("cuts the open window out of the sheet, on its side only, and lays none over a clothed client", () => {
    expect(at({}).cloth?.open).toHaveLength(1);
    expect(at({ window: "none", window_side: "mid" }).cloth?.open).toHaveLength(0);
    expect(at({ window: "clothed" }).cloth).toBeNull();
    expect(at({ position: "seated_leaning", window: "clothed" }).cloth).toBeNull();
  });

  it("hatches what is to be kept off, one side or a zone of it", () => {
    const plan = at({}, { excluded: [{ region: "foot", side: "left", zone: null }], barred: ["hips"] });
    expect(plan.hatched).toHaveLength(3);
    expect(at({}, { excluded: [{ region: "back", side: "mid", zone: "erectors" }] }).hatched).toHaveLength(2);
  });

  it("shows no region that the position hides", () => {
    const seen = (position: string) => at({ position }).spots.map((spot) => spot.key);
    expect(seen("prone")).toContain("back mid");
    expect(seen("supine")).not.toContain("back mid");
    expect(seen("side_left")).toContain("foot right");
    expect(seen("side_left")).not.toContain("foot left");
  });

  it("says the same in words", () => {
    const plan = at({}, { excluded: [{ region: "foot", side: "left", zone: null }] });
    expect(plan.says).toBe(
      "The client is prone. Uncovered: right leg, behind. You stand on the client’s right. Kneading on the right hip, across. Keep off: left foot.",
    );
    expect(at({ kind: "turn", stroke: null, window: "none", place: "away" }).says).toContain("at the basin");
  });

  it("keeps every zone of a region near it", () => {
    for (const [id, zones] of Object.entries(ZONES)) {
      const posture = ["prone", "supine", "side_left"].map(postureOf).find((one) => one.region(id, "right"));
      expect(posture, id).toBeDefined();
      for (const [a, b] of Object.values(zones)) {
        expect(a).toBeGreaterThan(-0.3);
        expect(a).toBeLessThan(1.3);
        expect(Math.abs(b)).toBeLessThan(1.3);
      }
    }
    expect(
      zoneSpots({ region: "back", side: "mid", position: "prone" }, ["erectors"], NAMES)[0]?.path,
    ).toMatch(/^M/);
  });

  it.each([
    ["prone", "back", "erectors"],
    ["prone", "back", "lower_back"],
  ])("tells the sides of the middle apart, %s", (position, region, zone) => {
    const spots = sidedZoneSpots({ region, side: "mid", position }, [zone], NAMES);
    expect(spots.map((spot) => spot.side).sort()).toEqual(["left", "right"]);
    const plan = at({ position });
    const y = (path: string) => Number(/^M[\d.-]+[ ,]([\d.-]+)/.exec(path)?.[1]);
    const [right] = spots.filter((spot) => spot.side === "right");
    const [left] = spots.filter((spot) => spot.side === "left");
    expect(y(right?.path ?? "") < y(left?.path ?? "")).toBe(plan.rightIsUp);
  });

  it("does not tell them apart where only one side is seen", () => {
    const spots = sidedZoneSpots({ region: "back", side: "mid", position: "side_left" }, ["erectors"], NAMES);
    expect(spots.every((spot) => spot.side !== "left")).toBe(true);
  });
});
