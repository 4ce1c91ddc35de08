import { afterEach, describe, expect, it } from "vitest";
import { type Manner, writeAs } from "../api/manner";
import {
  decimal,
  fromFeetAndInches,
  fromPounds,
  heightWords,
  inFeetAndInches,
  inPounds,
  pouredWords,
  weightWords,
} from "./measures";
import { dayInWords, hourInWords, longDate } from "./time";

const BRITISH: Manner = { locale: "en-GB", measures: "metric" };
const AMERICAN: Manner = { locale: "en-US", measures: "us" };
const GERMAN: Manner = { locale: "en-DE", measures: "metric" };

afterEach(() => writeAs(null));

describe("a practice's measures", () => {
  it.each([
    [BRITISH, ["170 cm", "68.5 kg", "14 ml", "1.5"]],
    [AMERICAN, ["5 ft 7 in", "151 lb", "0.5 fl oz", "1.5"]],
    [GERMAN, ["170 cm", "68,5 kg", "14 ml", "1,5"]],
  ])("are those of its country: %o", (manner, words) => {
    writeAs(manner);
    expect([heightWords(170), weightWords(68.5), pouredWords(14), decimal(1.5)]).toEqual(words);
  });

  it("come back as they were typed", () => {
    for (let inches = 48; inches < 84; inches += 1)
      expect(inFeetAndInches(fromFeetAndInches(0, inches))).toEqual([Math.floor(inches / 12), inches % 12]);
    for (let pounds = 60; pounds <= 660; pounds += 1) expect(inPounds(fromPounds(pounds))).toBe(pounds);
  });
});

it.each([
  [BRITISH, "14:05", "Friday 27 November", "Fri 27 Nov"],
  [AMERICAN, "2:05 PM", "Friday, November 27", "Fri, Nov 27"],
])("writes hours and days by the same country: %o", (manner, hour, long, short) => {
  writeAs(manner);
  const plain = (text: string) => text.replaceAll(/\s/g, " ");
  expect(plain(hourInWords("14:05:00"))).toBe(hour);
  expect(plain(longDate("2026-11-27"))).toBe(long);
  expect(plain(dayInWords("2026-11-27", new Date("2026-11-01")))).toBe(short);
});
