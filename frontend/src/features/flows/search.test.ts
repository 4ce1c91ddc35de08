import { expect, it } from "vitest";
import type { Catalogue, FlowView } from "../../api/client";
import { found } from "./search";

const catalogue = {
  regions: { lower_leg_back: { name: "calf", whole: "calves" }, back: { name: "back", whole: "back" } },
  schools: { feet_upwards: { name: "feet upwards" } },
  kinds: { full_body: { name: "full body" }, chair: { name: "chair" } },
} as unknown as Catalogue;
const flow = (name: string, kind: string, minutes: number, regions: string[]) =>
  ({
    name,
    note: "",
    regions,
    brief: { kind, booked_minutes: minutes, pressure: "firm" },
  }) as unknown as FlowView;
const flows = [
  flow("Long ebb", "full_body", 75, ["back", "lower_leg_back"]),
  flow("Quay", "chair", 15, ["back"]),
];
const names = (typed: string) => found(flows, typed, catalogue).map(({ name }) => name);

it("finds by name, region on either side, minutes and kind, and by all of them together", () => {
  expect(names("")).toEqual(["Long ebb", "Quay"]);
  expect(names("ebb")).toEqual(["Long ebb"]);
  expect(names("calves")).toEqual(["Long ebb"]);
  expect(names("cal")).toEqual(["Long ebb"]);
  expect(names("15 min")).toEqual(["Quay"]);
  expect(names("chair back")).toEqual(["Quay"]);
  expect(names("chair calf")).toEqual([]);
  expect(names("firm")).toHaveLength(2);
});
