import { describe, expect, it } from "vitest";
import type { Day } from "../../../api/client";
import { scaleDay, snap } from "./dayScale";

const day = (spans: [number, number][], working: [number, number][] = []) =>
  ({
    sessions: spans.map(([begins, ends]) => ({ span: { begins, ends } })),
    blocks: [],
    working: working.map(([begins, ends]) => ({ begins, ends })),
  }) as unknown as Day;

describe("the scale of a day", () => {
  it("goes from eight to six where nothing is earlier or later", () => {
    const scale = scaleDay(day([[600, 660]]), 1000);
    expect([scale.first, scale.last]).toEqual([480, 1080]);
    expect(scale.hours).toHaveLength(11);
    expect(scale.x(scale.first)).toBe(0);
    expect(scale.x(scale.last)).toBe(1000);
    expect(scale.minute(scale.x(777))).toBeCloseTo(777);
  });

  it("begins and ends at a full hour round what is booked and worked, never before midnight", () => {
    const early = scaleDay(day([[10, 70]], [[420, 1260]]), 1000);
    expect([early.first, early.last]).toEqual([0, 1260]);
    expect(scaleDay(day([[1410, 1470]]), 1000).last).toBe(1500);
  });

  it("writes fewer hours where there is little room", () => {
    expect(scaleDay(day([]), 390).hours.map((minute) => minute / 60)).toEqual([8, 11, 14, 17]);
  });

  it("lets a session be put down every five minutes", () => {
    expect([601, 602, 603, 607].map(snap)).toEqual([600, 600, 605, 605]);
  });
});
