import { describe, expect, it } from "vitest";
import type { Traits } from "../../api/client";
import { whatSetsApart } from "./apart";

const present: Traits = {
  turns: 1,
  walks: 9,
  between: 900,
  on_focus: 600,
  by_region: { back: 600, foot: 300 },
  thumb_share: 0.02,
};

const name = (region: string) => ({ foot: "feet" })[region] ?? region;

describe("what sets another plan apart", () => {
  it("names the greatest differences, three at most", () => {
    const other = {
      ...present,
      turns: 0,
      by_region: { back: 480, foot: 300, face: 120 },
      on_focus: 480,
      between: 700,
      walks: 4,
    };
    expect(whatSetsApart(other, present, name)).toBe(
      "One turn fewer, one region more and 2 min less on the focus.",
    );
  });

  it("says what gains most of what both work", () => {
    const other = { ...present, by_region: { back: 480, foot: 420, face: 500 } };
    expect(whatSetsApart(other, present, name)).toBe("One region more and 2 min more on the feet.");
  });

  it("leaves out what is hardly felt", () => {
    expect(whatSetsApart({ ...present, between: 915, on_focus: 590 }, present, name)).toBe(
      "The same minutes in another order.",
    );
    expect(whatSetsApart({ ...present, walks: 12, thumb_share: 0.05 }, present, name)).toBe(
      "3 walks more and thumbs more by 3 %.",
    );
  });
});
