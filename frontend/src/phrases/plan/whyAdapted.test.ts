import { expect, it } from "vitest";
import { whyAdapted } from "./whyAdapted";

it("says why a region changed, with what stands behind it", () => {
  expect(whyAdapted({ region: "foot", reason: "excluded", because: "a plaster" })).toBe(
    "to be kept off: a plaster",
  );
  expect(whyAdapted({ region: "back", reason: "less_time", because: "" })).toBe(
    "there is less time than in the flow",
  );
});
