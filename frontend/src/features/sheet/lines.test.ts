import { expect, it } from "vitest";
import type { Catalogue, RunSheet, SessionView } from "../../api/client";
import { linesOf } from "./lines";

const catalogue = {
  regions: { foot: { name: "foot", whole: "feet", sides: "pair" } },
  strokes: { knead: { name: "kneading", how: "Grasp broadly; lift, and set down softly." } },
  windows: { foot: { name: "feet" } },
  positions: { supine: { name: "supine" } },
} as unknown as Catalogue;
const flow = {
  brief: {},
  parts: [
    {
      id: "f",
      role: "work",
      region: "foot",
      side: "left",
      position: "supine",
      steps: [{ stroke: "knead", note: "slow" }],
    },
  ],
} as unknown as SessionView["plan"]["flow"];
const base = { part: 0, part_id: "f", position: "supine", about_side: "mid", working: false };
const sheet = {
  entries: [
    { ...base, kind: "turn", about: "supine", start: 0, seconds: 90 },
    { ...base, kind: "open_window", about: "foot", start: 90, seconds: 25 },
    { ...base, kind: "announce", about: "", start: 115, seconds: 5 },
    { ...base, kind: "oil", working: true, start: 120, seconds: 10 },
    {
      ...base,
      kind: "stroke",
      working: true,
      stroke: "knead",
      step: 0,
      zone: "between_toes",
      depth: 3,
      passes: 4,
      start: 130,
      seconds: 40,
    },
    { ...base, kind: "check_in", working: true, start: 170, seconds: 5 },
  ],
} as unknown as RunSheet;

it("says what comes before a part and its strokes with depth and passes", () => {
  expect(linesOf(flow, sheet, catalogue)).toEqual([
    {
      id: "f",
      start: 120,
      seconds: 55,
      name: "Left foot",
      before: ["turn to supine", "uncover the feet"],
      strokes: ["kneading between toes 3/4 (slow)", "ask"],
      position: "supine",
    },
  ]);
});

it("says how a stroke is done in place of its name, where plain words are wanted", () => {
  const plain = { ...flow, brief: { ...flow.brief, plain_words: true } };
  expect(linesOf(plain, sheet, catalogue)[0]?.strokes).toEqual([
    "Grasp broadly, between toes, 40 s",
    "Ask: is it right so, lighter, or deeper?",
  ]);
});
