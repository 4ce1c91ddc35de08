import { describe, expect, it } from "vitest";
import { clock, dayAndTime, inHours, minuteOfDay, shortDay, span } from "./time";
import { listed } from "./words";

describe("times", () => {
  it("tells many minutes in hours", () => {
    expect([inHours(29), inHours(3120), inHours(3600), inHours(58_995)]).toEqual([
      "0 min",
      "52 min",
      "1 h 0 min",
      "16 h 23 min",
    ]);
  });

  it("reads as a clock inside a session", () => {
    expect([clock(0), clock(59.6), clock(750), clock(4500), clock(-3)]).toEqual([
      "0:00",
      "1:00",
      "12:30",
      "75:00",
      "0:00",
    ]);
  });

  it("reads as words in a sentence", () => {
    expect([span(45), span(120), span(195), span(-30)]).toEqual(["45 s", "2 min", "3 min 15 s", "30 s"]);
  });

  it("is the practice's own, wherever the browser is", () => {
    expect(minuteOfDay("2026-07-01T09:30:00Z", "UTC")).toBe(570);
    expect(minuteOfDay("2026-07-01T09:30:00Z", "Atlantic/Azores")).toBe(570);
    expect(minuteOfDay("2026-01-01T00:15:00Z", "Atlantic/Azores")).toBe(23 * 60 + 15);
  });
});

describe("when a session is", () => {
  it("is today by the practice's clock, else a date", () => {
    const now = new Date("2026-05-04T23:30:00Z");
    expect(dayAndTime("2026-05-04T09:30:00Z", "UTC", now)).toMatch(/^today at 0?9:30(\sAM)?$/i);
    expect(dayAndTime("2026-05-04T09:30:00Z", "Asia/Tokyo", now)).toMatch(/^Monday.* at (18|6):30(\sPM)?$/i);
  });
});

describe("lists", () => {
  it("end with and", () => {
    expect([listed([]), listed(["back"]), listed(["back", "neck", "feet"])]).toEqual([
      "",
      "back",
      "back, neck and feet",
    ]);
  });
});

it("says a day in short, and the year only of another one", () => {
  const now = new Date("2026-11-25T12:00:00Z");
  expect(shortDay("2026-11-25T23:30:00Z", "UTC", now)).toBe("today");
  expect(shortDay("2026-11-24T23:30:00Z", "Europe/Berlin", now)).toBe("today");
  expect(shortDay("2026-09-30T10:00:00Z", "UTC", now)).toMatch(/30/);
  expect(shortDay("2026-09-30T10:00:00Z", "UTC", now)).not.toMatch(/2026/);
  expect(shortDay("2025-09-30T10:00:00Z", "UTC", now)).toMatch(/2025/);
});
