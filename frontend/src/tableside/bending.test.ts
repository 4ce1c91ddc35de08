import { describe, expect, it } from "vitest";
import type { ReplanTables, RunSheet } from "../api/client";
import { bend } from "./bending";
import { UNBEGUN } from "./fold";

const entry = (part_id: string, region: string, side: string, role: string, seconds: number) => ({
  part_id,
  region,
  side,
  role,
  seconds,
  working: true,
});
const sheet = {
  entries: [
    entry("open", "back", "mid", "open", 20),
    entry("back", "back", "mid", "work", 600),
    entry("foot-right", "foot", "right", "work", 240),
    entry("foot-left", "foot", "left", "work", 240),
    entry("close", "scalp", "mid", "close", 60),
  ],
} as unknown as RunSheet;
const share = (region: string, count: number, least: number, most: number) => ({
  region,
  count,
  weight: 1,
  saturation: 0,
  least,
  most,
});
// The level is the seconds of each side of a foot; the close takes its 60.
const tables = {
  parts: [
    {
      part: 2,
      owed: [],
      shares: [share("foot", 2, 60, 480), share("close", 1, 60, 60)],
      pieces: [
        { start: 60, kept: ["close"], fixed: 0, level: [[60, 60]] },
        {
          start: 180,
          kept: ["foot", "close"],
          fixed: 0,
          level: [
            [180, 60],
            [1020, 480],
          ],
        },
      ],
      frees: {},
    },
    {
      part: 3,
      owed: ["foot"],
      shares: [share("close", 1, 60, 60)],
      pieces: [{ start: 60, kept: ["close"], fixed: 0, level: [[60, 60]] }],
      frees: {},
    },
  ],
} as unknown as ReplanTables;
const regions = { foot: { name: "foot", whole: "feet", sides: "pair" } } as never;
const START = "2026-05-04T09:00:00Z";
const atSecond = (seconds: number) => Date.parse(START) + seconds * 1000;
const onTheBack = { ...UNBEGUN, begun_at: START, last_at: START, entry: 1, taken: { open: 20 } };

describe("sharing out the rest of a session", () => {
  it("says what gives way, alike on both sides", () => {
    // 20 s and 600 s are gone, as planned, but two minutes of the total too.
    const run = {
      ...onTheBack,
      taken: { open: 20, back: 600 },
      last_at: new Date(atSecond(740)).toISOString(),
    };
    const bent = bend(tables, sheet, run, 1160, atSecond(740), { regions });
    expect(bent?.seconds).toEqual({ "foot-right": 180, "foot-left": 180, close: 60 });
    expect(bent?.says).toBe("Feet 1 min less each side");
    expect(bent?.gives).toEqual(["foot"]);
  });

  it("leaves out what has less than its least useful time", () => {
    const run = {
      ...onTheBack,
      taken: { open: 20, back: 600 },
      last_at: new Date(atSecond(1000)).toISOString(),
    };
    const bent = bend(tables, sheet, run, 1160, atSecond(1000), { regions });
    expect(bent?.seconds).toEqual({ "foot-right": 0, "foot-left": 0, close: 60 });
    expect(bent?.says).toBe("Feet left out");
  });

  it("keeps what is owed to the second side", () => {
    const run = { ...onTheBack, entry: 2, taken: { "foot-right": 240 }, allotted: { "foot-right": 200 } };
    const bent = bend(
      tables,
      sheet,
      { ...run, last_at: new Date(atSecond(900)).toISOString() },
      1160,
      atSecond(900),
      {
        regions,
      },
    );
    expect(bent?.seconds).toEqual({ close: 60 });
  });

  it("says so where not even the close fits", () => {
    const run = {
      ...onTheBack,
      taken: { open: 20, back: 600 },
      last_at: new Date(atSecond(1150)).toISOString(),
    };
    expect(bend(tables, sheet, run, 1160, atSecond(1150), { regions })?.short_by).toBe(50);
  });
});
