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
  it("asks for the other side to follow", () => {
    expect(changeStep(right, 0, { passes: 6 })).toEqual([
      { kind: "change_step", part_id: "foot-right", step: 0, clear: [], passes: 6, mirrored: true },
    ]);
  });

  it("takes one away or moves it within its part, never the last one nor past the ends", () => {
    expect(removeStep(right, 1)).toHaveLength(1);
    expect(removeStep(own, 0)).toEqual([]);
    expect(moveStep(right, 0, 1)).toEqual([
      { kind: "move_step", part_id: "foot-right", step: 0, to: 1, mirrored: true },
    ]);
    expect(moveStep(right, 0, -1)).toEqual([]);
    expect(moveStep(right, 1, 1)).toEqual([]);
  });
});

it("splits only what is work and has two strokes", () => {
  expect(splitPart(right, 1)).toEqual([{ kind: "split_part", part_id: "foot-right", at: 1 }]);
  expect(splitPart(own)).toEqual([]);
  expect(splitPart(part("open", { role: "open" }))).toEqual([]);
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
