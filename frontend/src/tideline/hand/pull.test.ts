import { describe, expect, it } from "vitest";
import type { WorkedPassage } from "../../api/client";
import type { Swell } from "../swells";
import { pulledTo, wholeAround } from "./pull";

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

describe("all that is worked as one with the chosen part", () => {
  const swell = (partId: string, x0: number, x1: number) => ({ partId, x0, x1, side: "left" }) as Swell;
  const swells = [
    swell("hip", 10, 40),
    swell("thigh", 40, 90),
    swell("calf", 90, 120),
    swell("arm", 130, 180),
  ];
  const passages = [
    { id: "hip", parts: ["hip", "thigh", "calf"] },
    { id: "arm", parts: ["arm"] },
  ] as WorkedPassage[];

  it("reaches from the first of its parts to the last", () => {
    const whole = wholeAround(swells[1], swells, passages);
    expect(whole).toMatchObject({ passage: passages[0], x0: 10, x1: 120, sided: true });
  });

  it("is nothing where the part is worked alone, or none is chosen", () => {
    expect(wholeAround(swells[3], swells, passages)).toBeNull();
    expect(wholeAround(undefined, swells, passages)).toBeNull();
  });
});
