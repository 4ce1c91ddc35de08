import { describe, expect, it } from "vitest";
import type { LeftOut, RegionReason } from "../../api/client";
import { itsWeight, whatOrderSaves, whyItsMinutes, whyLeftOut } from "./reasons";

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
      "not_wished",
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

const reason: RegionReason = {
  region: "neck",
  seconds: 180,
  sides: 1,
  share: 2,
  school: 3,
  focus: 1.8,
  bound: null,
  gives: [
    { region: "back", seconds: -38, gone: false },
    { region: "close", seconds: -14, gone: false },
    { region: "foot", seconds: -5, gone: false },
    { region: "hand", seconds: -3, gone: false },
  ],
};

describe("why a region has its minutes", () => {
  const name = (id: string) => `${id}s`;

  it("names who would give for one more", () => {
    expect(whyItsMinutes(reason, name)).toBe(
      "One more minute here would take 38 s from the backs, 14 s from the close, 5 s from the foots and a little from elsewhere.",
    );
    expect(whyItsMinutes({ ...reason, sides: 2, gives: reason.gives?.slice(0, 1) }, name)).toBe(
      "One more minute here, both sides together, would take 38 s from the backs.",
    );
  });

  it("says at which bound it is, and when nobody can give", () => {
    expect(whyItsMinutes({ ...reason, bound: "most" }, name)).toBe("This is the most that does good.");
    expect(whyItsMinutes({ ...reason, bound: "least", gives: [] }, name)).toBe(
      "This is the least that makes it worth uncovering. Nothing else could give a minute more.",
    );
    expect(whyItsMinutes({ ...reason, bound: "usual", gives: [] }, name)).toBe(
      "These are its usual minutes, and they come before anything else. Nothing else could give a minute more.",
    );
  });

  it("says what it weighs, and what the order saves", () => {
    expect(itsWeight(reason)).toBe(
      "2 % of the body, the school gives it 3 times that and the focus 1.8 times.",
    );
    expect(itsWeight({ ...reason, school: 1, focus: 1 })).toBe("2 % of the body.");
    expect(whatOrderSaves({ seconds: 700, plain_seconds: 930 })).toMatch("3 min 50 s");
    expect(whatOrderSaves({ seconds: 700, plain_seconds: 705 })).toBe("");
    expect(whatOrderSaves(null)).toBe("");
  });
});
