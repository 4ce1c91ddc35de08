import { describe, expect, it } from "vitest";
import { addDays, minuteOf, timeAt } from "./days";

describe("days", () => {
  it("go on over months, years and the days on which clocks change", () => {
    expect(addDays("2026-03-28", 2)).toBe("2026-03-30");
    expect(addDays("2026-12-31", 1)).toBe("2027-01-01");
    expect(addDays("2028-03-01", -1)).toBe("2028-02-29");
  });

  it("have times in minutes, also past midnight", () => {
    expect(minuteOf("10:05:00")).toBe(605);
    expect(timeAt(605)).toBe("10:05");
    expect(timeAt(1450)).toBe("00:10");
    expect(timeAt(-10)).toBe("23:50");
  });
});
