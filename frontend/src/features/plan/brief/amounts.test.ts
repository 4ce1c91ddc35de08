import { describe, expect, it } from "vitest";
import { amountAfterTap, amountOf, type HowMuch, isChosen, patchOf } from "./amounts";

const AMOUNTS: HowMuch[] = ["usual", "more", "much", "nothing"];

describe("how much of a region is wished for", () => {
  it("is what was chosen, and nothing else changes", () => {
    const brief = { focus: ["neck"], much_more: ["neck"], leave_out: ["face"] };
    for (const amount of AMOUNTS) {
      const patched = patchOf(brief, "foot", amount);
      expect(amountOf(patched, "foot")).toBe(amount);
      expect([amountOf(patched, "neck"), amountOf(patched, "face")]).toEqual(["much", "nothing"]);
      expect(amountOf(patchOf(patched, "foot", "usual"), "foot")).toBe("usual");
    }
  });

  it("comes round again with the third tap", () => {
    const taps = ["usual", "more", "much"] as const;
    expect(taps.map((amount) => amountAfterTap("focus", amount))).toEqual(["more", "much", "usual"]);
    expect(amountAfterTap("focus", "nothing")).toBe("usual");
  });

  it("is left out by a tap only where nobody wants more of it", () => {
    expect(AMOUNTS.map((amount) => amountAfterTap("leave_out", amount))).toEqual([
      "nothing",
      "more",
      "much",
      "usual",
    ]);
    expect(AMOUNTS.filter((amount) => isChosen("focus", amount) || isChosen("leave_out", amount))).toEqual([
      "more",
      "much",
      "nothing",
    ]);
  });
});
