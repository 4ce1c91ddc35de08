import { describe, expect, it } from "vitest";
import type { Difference, Traits } from "../../api/client";
import { changeLines, keptWords, whatMoved } from "./difference";

const traits: Traits = { turns: 1, walks: 4, between: 700, on_focus: 0, by_region: {}, thumb_share: 0.1 };
const difference: Difference = {
  before: traits,
  after: { ...traits, turns: 0 },
  changes: [
    { region: "thigh_back", before: 400, after: 0, strokes: "fewer" },
    { region: "back", before: 980, after: 780, strokes: "fewer" },
    { region: "scalp", before: 0, after: 90, strokes: "more" },
    { region: "neck", before: 165, after: 200, strokes: "other" },
    { region: "foot", before: 194, after: 190, strokes: "other" },
  ],
  kept: ["neck"],
  moved: ["foot", "hand"],
  reordered: true,
};
const name = (id: string) => id.replace("_", " ");

describe("what a changed plan changes", () => {
  it("says for each region what goes, comes, gives and gains", () => {
    expect(changeLines(difference, name)).toEqual([
      { region: "Thigh back", what: "left out, 6 min 40 s before" },
      { region: "Back", what: "16 min 20 s → 13 min" },
      { region: "Scalp", what: "new, 1 min 30 s" },
      { region: "Neck", what: "2 min 45 s → 3 min 20 s, with other strokes" },
      { region: "Foot", what: "other strokes in the same time" },
    ]);
  });

  it("says in one line who gained and who gave", () => {
    expect(whatMoved(difference, name)).toBe(
      "Thigh back −6 min 40 s, back −3 min 20 s, scalp +1 min 30 s, neck +35 s, a little elsewhere",
    );
    expect(whatMoved({ ...difference, changes: [] }, name)).toBe("");
  });

  it("says what became of what was set by hand, of the order and of the turns", () => {
    expect(keptWords(difference, name)).toEqual([
      "Kept as you set it: neck.",
      "Could not stay as you set it: foot and hand.",
      "The rest is in another order.",
      "One turn fewer.",
    ]);
    expect(keptWords({ ...difference, after: traits, kept: [], moved: [], reordered: false }, name)).toEqual(
      [],
    );
  });
});
