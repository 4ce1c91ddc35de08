import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import type { SorePoint } from "./points";
import { type Treating, treating } from "./treating";

interface Case {
  name: string;
  points: SorePoint[];
  seconds: number;
  ceiling: number;
  hold: number;
  falls: Record<string, number>;
  treating: Treating;
}

// The core writes this file and is tested against it too.
const vectors: Case[] = JSON.parse(readFileSync("../tests/vectors/treating.json", "utf-8"));

it.each(vectors)("points are chosen as the core chooses: $name", (one) => {
  expect(treating(one.points, one.seconds, one.ceiling, one.hold, one.falls)).toEqual(one.treating);
});
