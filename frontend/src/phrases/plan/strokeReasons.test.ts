import { describe, expect, it } from "vitest";
import type { StrokeReason } from "../../api/client";
import { whyNotStroke, whyStroke } from "./strokeReasons";

const kneading: StrokeReason = {
  stroke: "kneading",
  seconds: 66,
  purpose: "knead",
  first: true,
  liked: false,
  lighter: 0,
  instead: [
    { stroke: "wringing", seconds: 48 },
    { stroke: "shaking", seconds: -24 },
  ],
  minute: [{ stroke: "stripping", seconds: -27 }],
};

describe("why a stroke", () => {
  it("is there says what it does, what would come without it, and what more of it takes", () => {
    expect(whyStroke(kneading, (id) => id)).toBe(
      "Kneading, 1 min 6 s: kneads; new to this session. Without it wringing would come. Up to a minute more of it would take 27 s of stripping.",
    );
  });

  it("is not there says what it would take, and that it is lighter where depth matters", () => {
    expect(whyNotStroke({ ...kneading, lighter: 1 }, (id) => id)).toBe(
      "Kneading would take 24 s of shaking, and it is lighter than wished.",
    );
    expect(whyNotStroke({ ...kneading, purpose: "moving", lighter: 1 }, (id) => id)).toBe(
      "Kneading would take 24 s of shaking.",
    );
    expect(whyNotStroke({ ...kneading, instead: [] }, (id) => id)).toBe(
      "Kneading does not fit the time here.",
    );
  });
});
