import { expect, it } from "vitest";
import type { Catalogue, Entry } from "../../../api/client";
import { beatAt, beatsOf } from "./beats";

const catalogue = {
  strokes: {
    resting_hold: { pass: { kind: "breaths" }, direction: "still" },
    meet_and_hold: {
      pass: { kind: "seconds" },
      direction: "still",
      cue: { command: "Press into my hand", release: "and let go" },
    },
    held_stretch: { pass: { kind: "seconds" }, direction: "still" },
    search: { id: "search", pass: { kind: "seconds" }, direction: "along_fibre" },
    kneading: { pass: { kind: "per_20cm" }, direction: "across" },
  },
} as unknown as Pick<Catalogue, "strokes">;
const entry = (stroke: string, seconds: number, passes: number) =>
  ({ kind: "stroke", stroke, seconds, passes }) as Entry;

it("counts breaths, halves, holds and strips, and leaves the rest to the hands", () => {
  expect(beatsOf(entry("resting_hold", 20, 4), catalogue)).toMatchObject({ kind: "breath", each: 5 });
  expect(beatsOf(entry("meet_and_hold", 30, 2), catalogue)).toMatchObject({ kind: "active", each: 15 });
  expect(beatsOf(entry("held_stretch", 14, 2), catalogue)).toMatchObject({ kind: "hold", each: 7 });
  expect(beatsOf(entry("search", 30, 3), catalogue)).toMatchObject({ kind: "strip", passes: 3, each: 10 });
  expect(beatsOf(entry("kneading", 48, 4), catalogue)).toBeNull();
});

it("says the therapist's own words for an active step", () => {
  const own = { command: "Lift into my hand", release: "let go" };
  expect(beatsOf(entry("meet_and_hold", 30, 2), catalogue, own)?.cue).toEqual(own);
});

it("breathes in first in every pass: the release comes before the press", () => {
  const breaths = { kind: "breath", passes: 3, each: 5, cue: null } as const;
  expect(beatAt(breaths, 0)).toEqual({ pass: 1, seconds: 0, half: "first", over: false });
  expect(beatAt(breaths, 2.6)).toMatchObject({ pass: 1, half: "second" });
  expect(beatAt(breaths, 5.1)).toMatchObject({ pass: 2, half: "first" });
  expect(beatAt(breaths, 15)).toEqual({ pass: 3, seconds: 5, half: "second", over: true });
});
