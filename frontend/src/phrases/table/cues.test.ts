import { expect, it } from "vitest";
import type { Catalogue, Entry } from "../../api/client";
import { cueFor } from "./cues";

const catalogue = {
  regions: { neck: { id: "neck", name: "neck", sides: "mid" } },
  strokes: { kneading: { id: "kneading", name: "kneading", pass: { kind: "seconds" }, direction: "still" } },
  tools: {},
  windows: {},
  positions: {},
} as unknown as Catalogue;

const entry = {
  kind: "stroke",
  region: "neck",
  stroke: "kneading",
  support: true,
  depth: 2,
  passes: 3,
  over: [],
} as unknown as Entry;

it.each([
  ["right", "Your left hand holds the head."],
  ["left", "Your right hand holds the head."],
  ["mid", "One hand holds the head while the other works; change hands for the other side."],
] as const)("says which hand holds the head where the %s is worked", (side, words) => {
  expect(cueFor({ ...entry, side }, catalogue).how).toBe(words);
});
