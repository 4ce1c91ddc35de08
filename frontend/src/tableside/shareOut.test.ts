import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { type PartTable, type SharedOut, shareOut } from "./shareOut";

interface Vector {
  name: string;
  table: PartTable;
  answers: (SharedOut & { left: number; held?: Record<string, number> })[];
}
const vectors: Vector[] = JSON.parse(readFileSync("../tests/vectors/replan.json", "utf-8"));

describe("sharing out what is left, as the core does", () => {
  it.each(vectors.map((v) => [v.name, v] as const))("%s", (_, vector) => {
    for (const { left, held, ...answer } of vector.answers) {
      const found = shareOut(vector.table, left, held);
      expect(found.dropped).toEqual(answer.dropped);
      expect([found.between, found.short_by]).toEqual([answer.between, answer.short_by]);
      expect(Object.keys(found.seconds).sort()).toEqual(Object.keys(answer.seconds).sort());
      for (const [region, seconds] of Object.entries(answer.seconds))
        expect(Math.abs((found.seconds[region] ?? 0) - seconds)).toBeLessThan(0.01);
    }
  });
});
