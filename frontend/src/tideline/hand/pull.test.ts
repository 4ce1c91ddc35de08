import { describe, expect, it } from "vitest";
import { pulledTo } from "./pull";

describe("pulling the edge of a part", () => {
  it("snaps to a quarter of a minute", () => {
    expect(pulledTo(120, 29, 0.5)).toBe(180);
    expect(pulledTo(120, -8, 0.5)).toBe(105);
    expect(pulledTo(121, 3, 0.5)).toBe(121);
  });

  it("keeps to what a part may take", () => {
    expect(pulledTo(60, -500, 0.5)).toBe(15);
    expect(pulledTo(1700, 900, 0.5)).toBe(1800);
  });
});
