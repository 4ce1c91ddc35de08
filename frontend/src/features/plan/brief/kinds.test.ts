import { describe, expect, it } from "vitest";
import type { Brief, Catalogue } from "../../../api/client";
import { briefOfKind, closingsOf, offeredRegions, positionsOf } from "./kinds";

const catalogue = {
  kinds: {
    full_body: { id: "full_body", surface: "table", usual_minutes: [60, 75, 90, 120], area: [] },
    focus: {
      id: "focus",
      surface: "table",
      usual_minutes: [30, 45, 60],
      area: [
        { id: "feet", closing: "head", regions: ["foot"] },
        { id: "neck", closing: "feet", regions: ["neck"] },
      ],
    },
    chair: { id: "chair", surface: "chair", usual_minutes: [10, 15, 20, 30], area: [] },
  },
  schools: {
    back_outwards: {
      id: "back_outwards",
      kind: "full_body",
      block: [
        { position: "prone", rows: [["back"], ["foot"]] },
        { position: "supine", rows: [["foot"], ["neck"], ["face"]] },
      ],
    },
    depth: { id: "depth", kind: "focus", block: [{ position: "supine", rows: [["foot"], ["neck"]] }] },
    down: { id: "down", kind: "chair", block: [{ position: "seated_leaning", rows: [["back"], ["neck"]] }] },
  },
  closings: { head: { id: "head" }, feet: { id: "feet" }, seated: { id: "seated" } },
  usual_briefs: {
    chair: { kind: "chair", school: "down", booked_minutes: 10, close_with: "seated" },
    focus: { kind: "focus", school: "depth", area: "feet", booked_minutes: 30, close_with: "head" },
    full_body: { kind: "full_body", school: "back_outwards", booked_minutes: 60, first_position: "supine" },
  },
} as unknown as Catalogue;

const brief = {
  kind: "full_body",
  school: "back_outwards",
  booked_minutes: 90,
  focus: ["neck", "face"],
  leave_out: ["foot"],
  close_with: "feet",
  first_position: "supine",
} as unknown as Brief;

describe("kinds of session", () => {
  it("offer the regions of their school, each once, and only those of their part", () => {
    expect(offeredRegions(brief, catalogue)).toEqual(["back", "foot", "neck", "face"]);
    expect(offeredRegions({ ...brief, kind: "focus", school: "depth", area: "neck" }, catalogue)).toEqual([
      "neck",
    ]);
    expect(positionsOf(brief, catalogue)).toEqual(["prone", "supine"]);
  });

  it("keep what a new kind knows and let the rest go", () => {
    expect(briefOfKind(brief, "chair", catalogue)).toEqual({
      kind: "chair",
      school: "down",
      area: null,
      first_position: null,
      finish: "calm",
      booked_minutes: 30,
      focus: ["neck"],
      much_more: [],
      leave_out: [],
      points: [],
      close_with: "seated",
    });
  });

  it("begin in the position in which the house begins", () => {
    const chair = { ...brief, kind: "chair", school: "down", first_position: null };
    expect(briefOfKind(chair, "full_body", catalogue).first_position).toBe("supine");
  });

  it("end where it was asked for, and where the house ends if nothing was", () => {
    const known = {
      ...catalogue,
      usual_briefs: {
        full_body: { ...brief, close_with: "head" },
        side_lying: { kind: "side_lying", school: "back_outwards", booked_minutes: 60, close_with: "head" },
      },
    } as unknown as Catalogue;
    expect(briefOfKind(brief, "side_lying", known).close_with).toBe("feet");
    expect(briefOfKind({ ...brief, close_with: "head" }, "side_lying", known).close_with).toBe("head");
  });

  it("begin a focus with its first part, and close at the other end", () => {
    const focus = briefOfKind(brief, "focus", catalogue);
    expect([focus.area, focus.focus, focus.leave_out, focus.close_with]).toEqual([
      "feet",
      [],
      ["foot"],
      "head",
    ]);
  });

  it("end seated in the chair and nowhere else", () => {
    expect(closingsOf("chair", catalogue).map(({ id }) => id)).toEqual(["seated"]);
    expect(closingsOf("full_body", catalogue).map(({ id }) => id)).toEqual(["head", "feet"]);
  });
});
