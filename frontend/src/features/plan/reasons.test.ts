import { describe, expect, it } from "vitest";
import type { LeftOut } from "../../api/client";
import { whyLeftOut } from "./reasons";

const name = (id: string) => ({ back: "back", arm: "arms", foot: "feet", neck: "neck" })[id] ?? id;
const left = (over: Partial<LeftOut>): LeftOut => ({
  region: "chest",
  reason: "no_time",
  gives: [],
  ...over,
});

describe("why a region is left out", () => {
  it("names who would pay, and who would go", () => {
    const gives = [
      { region: "arm", seconds: -240, gone: true },
      { region: "back", seconds: -45, gone: false },
    ];
    expect(whyLeftOut(left({ gives }), name)).toBe(
      "All of the arms and 45 s of the back would have to go for it.",
    );
  });

  it("names three and no more", () => {
    const gives = ["back", "arm", "foot", "neck"].map((region) => ({ region, seconds: -30, gone: false }));
    expect(whyLeftOut(left({ gives }), name)).toBe(
      "30 s of the back, 30 s of the arms, 30 s of the feet and a little elsewhere would have to go for it.",
    );
  });

  it("has words for every other reason", () => {
    const reasons = [
      "wish",
      "no_consent",
      "not_in_school",
      "never_fits",
      "position_barred",
      "health",
    ] as const;
    const said = reasons.map((reason) => whyLeftOut(left({ reason }), name));
    expect(new Set(said).size).toBe(reasons.length);
    expect(whyLeftOut(left({}), name)).toBe("The minutes do more good elsewhere.");
  });
});
