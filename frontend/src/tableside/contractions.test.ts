import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { type Contraction, type Timing, timing } from "./contractions";

// The core writes this file and is tested against it too.
const vectors: { name: string; contractions: Contraction[]; timing: Timing }[] = JSON.parse(
  readFileSync("../tests/vectors/contractions.json", "utf-8"),
);

it.each(vectors)("contractions are counted as the core counts them: $name", (one) => {
  expect(timing(one.contractions)).toEqual(one.timing);
});
