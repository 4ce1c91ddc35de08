import { describe, expect, it } from "vitest";
import type { Part } from "../../../api/client";
import { changeSeveral, changeStep, moveStep, removeSeveral, removeStep, splitPart } from "./edits";

const steps = [
  { stroke: "effleurage", slot: "warm", tool: "palms", depth: 2, passes: 5 },
  { stroke: "kneading", slot: "knead", tool: "palms", depth: 3, passes: 1 },
];
const part = (id: string, over: Partial<Part> = {}) =>
  ({ id, role: "work", region: "foot", steps, ...over }) as Part;
const right = part("foot-right");
const left = part("foot-left");
const own = part("foot-left", { steps: [steps[0]] as Part["steps"] });
const depthOf = (stroke: string) => (stroke === "kneading" ? ([2, 3] as const) : ([1, 5] as const));

describe("changing a stroke", () => {
  it("changes the other side too where it is worked alike, and only there", () => {
    const changed = changeStep([right, left, part("neck", { region: "neck" })], right, 0, { passes: 6 });
    expect(changed.map((edit) => "part_id" in edit && edit.part_id)).toEqual(["foot-right", "foot-left"]);
    expect(changed[0]).toMatchObject({ kind: "change_step", step: 0, passes: 6 });
    expect(changeStep([right, own], right, 0, { depth: 3 })).toHaveLength(1);
  });

  it("keeps the first contact's strokes its own", () => {
    const open = part("open", { role: "open" });
    expect(changeStep([open, right], open, 0, { passes: 2 })).toHaveLength(1);
  });

  it("takes one away or moves it within its part, never the last one nor past the ends", () => {
    expect(removeStep([right, left], right, 1)).toHaveLength(2);
    expect(removeStep([own], own, 0)).toEqual([]);
    expect(moveStep([right], right, 0, 1)).toEqual([
      { kind: "move_step", part_id: "foot-right", step: 0, to: 1 },
    ]);
    expect(moveStep([right], right, 0, -1)).toEqual([]);
    expect(moveStep([right], right, 1, 1)).toEqual([]);
  });
});

describe("splitting a part", () => {
  it("begins the second part at the step, under an id that is free", () => {
    expect(splitPart([right, part("foot-right-2")], right)).toEqual([
      { kind: "split_part", part_id: "foot-right", at: 1, id: "foot-right-3" },
    ]);
    expect(splitPart([own], own)).toEqual([]);
    expect(splitPart([right], part("open", { role: "open" }))).toEqual([]);
  });
});

describe("several parts at once", () => {
  const both = new Set(["foot-right", "foot-left"]);

  it("gives every stroke a pass or a level, as far as it can be done", () => {
    expect(changeSeveral([right, left], both, { passes: -1 }, depthOf)).toHaveLength(2);
    expect(changeSeveral([right, left], both, { passes: 1 }, depthOf)).toHaveLength(4);
    const deeper = changeSeveral([right], both, { depth: 1 }, depthOf);
    expect(deeper).toEqual([expect.objectContaining({ step: 0, depth: 3 })]);
  });

  it("takes away only what is work", () => {
    const open = part("open", { role: "open" });
    expect(removeSeveral([open, right], new Set(["open", "foot-right"]))).toEqual([
      { kind: "remove_part", part_id: "foot-right" },
    ]);
  });
});
