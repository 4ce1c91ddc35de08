import { describe, expect, it } from "vitest";
import type { Stop } from "../../api/client";
import { stepEdits } from "./stepEdits";

const steps = [{ stroke: "effleurage", slot: "warm", tool: "palms", depth: 2, passes: 5 }];
const stop = (id: string, over: Partial<Stop> = {}) =>
  ({ id, role: "work", region: "foot", steps, ...over }) as Stop;

describe("changing a stroke in the list", () => {
  const right = stop("foot-right");

  it("changes the other side too where it is worked alike", () => {
    const stops = [right, stop("foot-left"), stop("neck", { region: "neck" })];
    expect(stepEdits(stops, right, 0, { passes: 6 })).toEqual([
      { kind: "change_step", stop_id: "foot-right", step: 0, passes: 6 },
      { kind: "change_step", stop_id: "foot-left", step: 0, passes: 6 },
    ]);
  });

  it("leaves a side alone that has its own strokes", () => {
    const own = stop("foot-left", { steps: [{ ...steps[0], passes: 2 }] as Stop["steps"] });
    expect(stepEdits([right, own], right, 0, { depth: 3 }).map((edit) => edit)).toHaveLength(1);
  });
});
