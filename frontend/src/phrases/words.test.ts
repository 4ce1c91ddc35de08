import { expect, it } from "vitest";
import { sided } from "./words";

it("names a region with its side, or with both", () => {
  const hip = { name: "hip", whole: "hips", sides: "pair" as const };
  const chest = { name: "chest", whole: "chest", sides: "pair" as const };
  const back = { name: "back", whole: "back", sides: "mid" as const };
  expect([sided(hip, "left"), sided(hip, "both")]).toEqual(["left hip", "both hips"]);
  expect([sided(chest, "left"), sided(chest, "both")]).toEqual(["left chest", "both sides of the chest"]);
  expect([sided(back, "mid"), sided(back, "left")]).toEqual(["back", "left half of the back"]);
});
