import { describe, expect, it } from "vitest";
import type { Stop } from "../../api/client";
import { changeSeveral, changeStep, moveStep, removeSeveral, removeStep, splitStop } from "./edits";

const steps = [
  { stroke: "effleurage", slot: "warm", tool: "palms", depth: 2, passes: 5 },
  { stroke: "kneading", slot: "knead", tool: "palms", depth: 3, passes: 1 },
];
const stop = (id: string, over: Partial<Stop> = {}) =>
  ({ id, role: "work", region: "foot", steps, ...over }) as Stop;
const right = stop("foot-right");
const left = stop("foot-left");
const own = stop("foot-left", { steps: [steps[0]] as Stop["steps"] });
const depthOf = (stroke: string) => (stroke === "kneading" ? ([2, 3] as const) : ([1, 5] as const));

describe("changing a stroke", () => {
  it("changes the other side too where it is worked alike, and only there", () => {
    const changed = changeStep([right, left, stop("neck", { region: "neck" })], right, 0, { passes: 6 });
    expect(changed.map((edit) => "stop_id" in edit && edit.stop_id)).toEqual(["foot-right", "foot-left"]);
    expect(changed[0]).toMatchObject({ kind: "change_step", step: 0, passes: 6 });
    expect(changeStep([right, own], right, 0, { depth: 3 })).toHaveLength(1);
  });

  it("keeps the first contact's strokes its own", () => {
    const open = stop("open", { role: "open" });
    expect(changeStep([open, right], open, 0, { passes: 2 })).toHaveLength(1);
  });

  it("takes one away or moves it within its stop, never the last one nor past the ends", () => {
    expect(removeStep([right, left], right, 1)).toHaveLength(2);
    expect(removeStep([own], own, 0)).toEqual([]);
    expect(moveStep([right], right, 0, 1)).toEqual([
      { kind: "move_step", stop_id: "foot-right", step: 0, to: 1 },
    ]);
    expect(moveStep([right], right, 0, -1)).toEqual([]);
    expect(moveStep([right], right, 1, 1)).toEqual([]);
  });
});

describe("splitting a stop", () => {
  it("begins the second part at the step, under an id that is free", () => {
    expect(splitStop([right, stop("foot-right-2")], right)).toEqual([
      { kind: "split_stop", stop_id: "foot-right", at: 1, id: "foot-right-3" },
    ]);
    expect(splitStop([own], own)).toEqual([]);
    expect(splitStop([right], stop("open", { role: "open" }))).toEqual([]);
  });
});

describe("several stops at once", () => {
  const both = new Set(["foot-right", "foot-left"]);

  it("gives every stroke a pass or a level, as far as it can be done", () => {
    expect(changeSeveral([right, left], both, { passes: -1 }, depthOf)).toHaveLength(2);
    expect(changeSeveral([right, left], both, { passes: 1 }, depthOf)).toHaveLength(4);
    const deeper = changeSeveral([right], both, { depth: 1 }, depthOf);
    expect(deeper).toEqual([expect.objectContaining({ step: 0, depth: 3 })]);
  });

  it("takes away only what is work", () => {
    const open = stop("open", { role: "open" });
    expect(removeSeveral([open, right], new Set(["open", "foot-right"]))).toEqual([
      { kind: "remove_stop", stop_id: "foot-right" },
    ]);
  });
});
