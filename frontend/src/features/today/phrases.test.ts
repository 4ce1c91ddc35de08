import { describe, expect, it } from "vitest";
import type { Brief, Day, Region } from "../../api/client";
import { askedFor, daySentence } from "./phrases";

const regions = { back: { whole: "back" }, foot: { whole: "feet" } } as unknown as Record<string, Region>;
const brief = (over: Partial<Brief>) =>
  ({ booked_minutes: 60, focus: [], leave_out: [], ...over }) as unknown as Brief;
const day = (...stages: string[]) => ({ sessions: stages.map((stage) => ({ stage })) }) as unknown as Day;

describe("Today's words", () => {
  it("say what a brief asks for", () => {
    expect(askedFor(brief({}), regions)).toBe("60 min full body");
    expect(askedFor(brief({ focus: ["back"], leave_out: ["foot"] }), regions)).toBe(
      "60 min full body, more back, no feet",
    );
  });

  it("say the day in one sentence", () => {
    expect(daySentence(day())).toBe("No sessions today.");
    expect(daySentence(day("plan"))).toBe("One session, none logged yet.");
    expect(daySentence(day("logged", "plan", "plan"))).toBe("Three sessions, one logged.");
    expect(daySentence(day("logged", "logged"))).toBe("Two sessions, all logged. Rest your hands.");
  });
});
