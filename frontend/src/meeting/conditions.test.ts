import { describe, expect, it } from "vitest";
import type { Catalogue } from "../api/client";
import { findConditions } from "./conditions";

const condition = (id: string, name: string, asks: string) =>
  ({ id, name, asks, says: "", level: "adapt", asked: "usual" }) as Catalogue["conditions"][string];

const ALL = [
  condition("neck_injury_old", "old neck injury", "I hurt my neck in the past"),
  condition("anticoagulants", "blood thinners or a bleeding disorder", "I bruise easily"),
  condition("fever", "fever or acute infection", "I have a fever"),
];
const found = (typed: string) => findConditions(ALL, typed).map(({ id }) => id);

describe("finding a condition", () => {
  it("goes by the beginning of any word of its name", () => {
    expect(found("thin")).toEqual(["anticoagulants"]);
    expect(found("inj")).toEqual(["neck_injury_old"]);
  });
  it("goes by the client's own words too", () => {
    expect(found("bruise")).toEqual(["anticoagulants"]);
  });
  it("wants every typed word, in any order and case", () => {
    expect(found("Injury NECK")).toEqual(["neck_injury_old"]);
    expect(found("neck fever")).toEqual([]);
  });
  it("finds all for nothing typed, and none for the middle of a word", () => {
    expect(found(" ")).toHaveLength(3);
    expect(found("ever")).toEqual([]);
  });
});
