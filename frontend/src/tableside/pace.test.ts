import { describe, expect, it } from "vitest";
import type { RunSheet, RunState } from "../api/client";
import { UNBEGUN } from "./fold";
import { behind, elapsed, paceWords, waterLevel } from "./pace";

const T0 = Date.parse("2026-05-04T09:00:00Z");
const iso = (second: number) => new Date(T0 + second * 1000).toISOString();
const entry = (start: number, seconds: number, part_id: string) => ({ start, seconds, part_id });
const sheet = { entries: [entry(0, 40, "a"), entry(40, 60, "b"), entry(100, 20, "b")] } as RunSheet;
const run = (over: Partial<RunState>): RunState => ({
  ...UNBEGUN,
  begun_at: iso(0),
  last_at: iso(0),
  ...over,
});

describe("the water level", () => {
  it("falls over the whole part, not the single stroke", () => {
    const inB = run({ entry: 2, taken: { a: 40, b: 60 }, last_at: iso(100) });
    expect(waterLevel(inB, sheet, T0 + 100_000)).toBeCloseTo(0.25);
    expect(waterLevel(inB, sheet, T0 + 110_000)).toBeCloseTo(0.125);
  });

  it("stays at nothing once the time is gone, and full before it begins", () => {
    expect(waterLevel(run({ taken: { a: 500 } }), sheet, T0)).toBe(0);
    expect(waterLevel(UNBEGUN, sheet, T0)).toBe(1);
  });
});

describe("behind or ahead", () => {
  it("leaves pauses out, and counts what still passes in one", () => {
    const paused = run({ entry: 1, paused: 30, last_at: iso(100), paused_at: iso(90) });
    // 130 s on the clock: 30 s paused before, 30 s since.
    expect(elapsed(paused, T0 + 130_000)).toBe(70);
    expect(behind(paused, sheet, T0 + 130_000)).toBe(0);
  });

  it("is nothing again once the rest was shared out to the end that was promised", () => {
    const working = { entries: sheet.entries.map((one) => ({ ...one, working: true })) } as RunSheet;
    const late = run({ entry: 0, taken: { a: 40 }, last_at: iso(0) });
    expect(behind(late, working, T0 + 60_000)).toBe(20);
    const bent = { ...late, allotted: { b: 60 }, total: 120 };
    expect(behind(bent, working, T0 + 60_000)).toBe(0);
    expect(behind(bent, working, T0 + 80_000)).toBe(20);
  });

  it("is nothing while the present stroke has its time", () => {
    expect(behind(run({ entry: 1 }), sheet, T0 + 70_000)).toBe(0);
    expect(behind(run({ entry: 1 }), sheet, T0 + 130_000)).toBe(30);
    expect(behind(run({ entry: 2 }), sheet, T0 + 60_000)).toBe(-40);
  });

  it("is said in words", () => {
    expect([0, 19, 32, -45, 95, -600].map(paceWords)).toEqual([
      "On time",
      "On time",
      "30 s behind",
      "45 s ahead",
      "2 min behind",
      "10 min ahead",
    ]);
  });
});
