import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { postureOf } from "./postures";
import { ZONES } from "./zones";

/** What the catalogue says of its regions; the core's tests hold the file to it. */
const PLACES: Record<string, { sides: "mid" | "pair"; positions: string[]; zones: string[] }> = JSON.parse(
  readFileSync("../tests/vectors/places.json", "utf-8"),
);
const UPPER: Record<string, "left" | "right"> = { side_left: "right", side_right: "left" };

describe.each(Object.entries(PLACES))("%s", (id, { sides, positions, zones }) => {
  it("has a place for every zone", () => {
    expect(Object.keys(ZONES[id] ?? {}).sort()).toEqual([...zones].sort());
  });

  it.each(positions)("is seen %s", (position) => {
    const posture = postureOf(position);
    const upper = UPPER[position];
    for (const side of upper ? [upper] : (["left", "right"] as const)) {
      const frame = posture.region(id, side);
      expect(frame, side).toBeDefined();
      // On the body, or what one stands beside would be nowhere.
      expect(frame?.from[0]).toBeGreaterThan(-12);
      expect(frame?.from[0]).toBeLessThan(posture.length + 4);
      if (sides === "pair" && !upper)
        expect(Math.sign(frame?.to[1] ?? 0)).toBe(side === "right" ? posture.right : -posture.right);
    }
  });
});
