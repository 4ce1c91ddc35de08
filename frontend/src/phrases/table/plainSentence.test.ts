import { expect, it } from "vitest";
import type { Catalogue, Entry } from "../../api/client";
import { plainSentence } from "./plainSentence";

const catalogue = {
  regions: { back: { name: "back", whole: "back", sides: "mid" } },
  strokes: {
    knead: { name: "kneading", how: "Grasp broadly, and lift; never pinch.", pass: { kind: "seconds" } },
  },
  tools: {},
  positions: {},
  windows: {},
} as unknown as Catalogue;
const entry = {
  kind: "stroke",
  region: "back",
  side: "mid",
  stroke: "knead",
  depth: 2,
  about_side: "mid",
} as Entry;

it("says how, how softly, and what is only passed over", () => {
  expect(plainSentence(entry, catalogue)).toBe("Back: grasp broadly, and lift. Lightly.");
  expect(plainSentence({ ...entry, eases_over: ["the spine", "the kidneys"] }, catalogue)).toBe(
    "Back: grasp broadly, and lift. Lightly. Lighter over the spine and the kidneys.",
  );
});
