import { describe, expect, it } from "vitest";
import type { Brief, Catalogue, Day } from "../api/client";
import { askedFor, daySentence, handsSentence } from "./today";

const known = {
  regions: { back: { whole: "back" }, foot: { whole: "feet" } },
  kinds: {
    full_body: { name: "full body" },
    focus: { name: "focus", area: [{ id: "legs", name: "legs" }] },
  },
} as unknown as Catalogue;
const brief = (over: Partial<Brief>) =>
  ({ kind: "full_body", booked_minutes: 60, focus: [], leave_out: [], ...over }) as unknown as Brief;
const day = (...stages: string[]) =>
  ({
    day: "2026-05-04",
    now: { day: "2026-05-04", at: "10:00" },
    sessions: stages.map((stage) => ({ stage, comes: true })),
  }) as unknown as Day;

describe("Today's words", () => {
  it("say what a brief asks for", () => {
    expect(askedFor(brief({}), known)).toBe("60 min full body");
    expect(askedFor(brief({ focus: ["back"], leave_out: ["foot"] }), known)).toBe(
      "60 min full body, more back, no feet",
    );
    expect(askedFor(brief({ kind: "focus", area: "legs" }), known)).toBe("60 min focus on legs");
  });

  it("say the day in one sentence", () => {
    expect(daySentence(day())).toBe("No sessions today.");
    expect(daySentence({ ...day(), day: "2026-05-05" })).toBe("No sessions.");
    const gone = { ...day("plan"), sessions: [{ stage: "plan", comes: false }] } as unknown as Day;
    expect(daySentence(gone)).toBe("No sessions today. One cancelled or did not come.");
    expect(daySentence(day("plan"))).toBe("One session, none logged yet.");
    expect(daySentence(day("logged", "plan", "plan"))).toBe("Three sessions, one logged.");
    expect(daySentence(day("logged", "logged"))).toBe("Two sessions, all logged. Rest your hands.");
  });

  it("say what the day asks of the hands", () => {
    const hands = { hazardous: false, strain: 5.92, thumb_seconds: 130, thumb_budget_seconds: 2700 };
    expect(handsSentence(hands, true)).toBe(
      "Your hands today: within bounds, strain index 5.9 of 10 at most, 2 of the 45 min that thumbs bear.",
    );
    expect(handsSentence({ ...hands, hazardous: true }, false)).toContain("on this day: a straining day");
  });
});
