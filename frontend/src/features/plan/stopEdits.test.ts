import { describe, expect, it } from "vitest";
import type { Stop } from "../../api/client";
import { mirrorEdits, moveEdits } from "./stopEdits";

const stop = (id: string, region: string, side: Stop["side"], passes = 3) =>
  ({ id, region, side, role: "work", steps: [{ stroke: "kneading", passes }] }) as unknown as Stop;
const stops = [
  { ...stop("open", "back", "mid"), role: "open" } as Stop,
  stop("back", "back", "mid"),
  stop("foot-right", "foot", "right"),
  stop("foot-left", "foot", "left", 5),
  { ...stop("close", "scalp", "mid"), role: "close" } as Stop,
];

describe("moving a stop", () => {
  it("takes it one place on or back", () => {
    expect(moveEdits(stops, "back", 1)).toEqual([{ kind: "move_stop", stop_id: "back", to: 2 }]);
    expect(moveEdits(stops, "foot-left", -1)).toEqual([{ kind: "move_stop", stop_id: "foot-left", to: 2 }]);
  });

  it("never takes it past the first contact or the close, nor those two", () => {
    expect(moveEdits(stops, "back", -1)).toEqual([]);
    expect(moveEdits(stops, "foot-left", 1)).toEqual([]);
    expect(moveEdits(stops, "open", 1)).toEqual([]);
    expect(moveEdits(stops, "close", -1)).toEqual([]);
  });
});

describe("mirroring a stop", () => {
  it("gives the other side the same strokes, where they differ", () => {
    expect(mirrorEdits(stops, "foot-right")).toEqual([
      { kind: "copy_steps", stop_id: "foot-left", like: "foot-right" },
    ]);
    expect(mirrorEdits(stops, "back")).toEqual([]);
    const alike = [stop("foot-right", "foot", "right"), stop("foot-left", "foot", "left")];
    expect(mirrorEdits(alike, "foot-right")).toEqual([]);
  });
});
