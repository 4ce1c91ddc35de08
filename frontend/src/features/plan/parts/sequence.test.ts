import { describe, expect, it } from "vitest";
import type { Catalogue, Entry, Part } from "../../../api/client";
import { groupByPosition, partSeconds, partStart, transitionWords, wayUp } from "./sequence";

const parts = (...positions: string[]) =>
  positions.map((position, i) => ({ id: String(i), position })) as Part[];
const catalogue = {
  positions: { prone: { name: "prone" }, supine: { name: "supine" } },
  windows: { leg_back: { name: "leg, behind" } },
} as unknown as Catalogue;
const entry = (kind: Entry["kind"], seconds: number, about = "", about_side = "mid") =>
  ({ kind, seconds, about, about_side, position: "prone", working: false }) as Entry;
const work = (kind: Entry["kind"], seconds: number) => ({ ...entry(kind, seconds), working: true });

describe("the sequence", () => {
  it("groups neighbouring parts of one position", () => {
    const groups = groupByPosition(parts("prone", "prone", "supine", "prone"));
    expect(groups.map((group) => [group.position, group.parts.length])).toEqual([
      ["prone", 2],
      ["supine", 1],
      ["prone", 1],
    ]);
  });

  it("says which way up it begins", () => {
    expect(wayUp(parts("prone", "supine"), catalogue)).toBe("prone first");
    expect(wayUp(parts("supine", "supine"), catalogue)).toBe("supine throughout");
  });

  it("counts working, not getting there", () => {
    const late = [
      { ...entry("walk", 10), start: 0 },
      { ...work("oil", 10), start: 10 },
    ];
    expect(partStart(late)).toBe(10);
    const entries = [entry("walk", 10), work("oil", 15), work("stroke", 60), work("check_in", 8)];
    expect(partSeconds(entries)).toBe(83);
    expect(partSeconds([entry("towel", 15, "hands"), entry("wipe", 10, "hands")])).toBe(0);
  });

  it("tells the way to a part in one line", () => {
    const way = [entry("wash", 45), entry("walk", 10, "left"), entry("open_window", 25, "leg_back", "left")];
    expect(transitionWords(way, catalogue)).toBe(
      "wash hands, walk to the client’s left, uncover the left leg (80 s)",
    );
    const seated = [entry("stool", 10, "back"), entry("height", 8, "low"), entry("stool", 10, "fetch")];
    expect(transitionWords(seated, catalogue)).toBe("put the stool back, table down, fetch the stool (28 s)");
  });
});
