/** The tide line's layout: a run sheet and a size in, shapes out; its swells are those of `swells.ts`. */
import { scaleLinear } from "d3-scale";
import type { Entry, RunSheet } from "../api/client";
import { placeWord } from "../phrases/words";
import { type Margins, type Size, type Swell, swellsOf, water } from "./swells";

export interface ClockSpan {
  x0: number;
  x1: number;
  seconds: number;
  name: string;
  side: Entry["side"];
  kind: Entry["kind"];
}

export interface Tick {
  x: number;
  minute: number;
}

/** One stroke of a part, seen when the line is drawn large. */
export interface StrokeSpan {
  entry: Entry;
  x0: number;
  x1: number;
  /** Pixels from the horizon. */
  rise: number;
}

/** The part of a session that is drawn, in seconds. */
export interface View {
  from: number;
  to: number;
}

export interface TideLayout {
  horizon: number;
  amplitude: number;
  swells: Swell[];
  /** Turning the client: the tide stands still. */
  slack: ClockSpan[];
  /** All other transitions. */
  notches: ClockSpan[];
  windows: ClockSpan[];
  places: ClockSpan[];
  ticks: Tick[];
  /** Where the line is drawn large, its strokes one by one; else none. */
  strokes: StrokeSpan[];
  x(second: number): number;
  second(x: number): number;
}

const TURNING = new Set<Entry["kind"]>(["turn", "sit_back", "bolster"]);

/** Pixels for a second from which single strokes have room for their names, of a whole session and of a part of it. */
const LARGE = { whole: 1.6, part: 1.1 };

/**
 * Lay `sheet` into `size`, all of it or the `view` of it. `joined` makes one swell of neighbouring parts under
 * one cover, for small pictures.
 */
export function layTide(
  sheet: RunSheet,
  size: Size,
  margins: Margins,
  joined = false,
  view: View = { from: 0, to: sheet.seconds },
): TideLayout {
  const x = scaleLinear(
    [view.from, Math.max(view.to, view.from + 1)],
    [margins.left, size.width - margins.right],
  );
  const { horizon, amplitude } = water(size, margins);
  const seen = sheet.entries.filter((e) => e.start + e.seconds > view.from && e.start < view.to);
  const transitions = seen.filter((entry) => entry.kind !== "stroke");
  const turning = transitions.filter((entry) => TURNING.has(entry.kind));
  return {
    horizon,
    amplitude,
    swells: swellsOf(sheet, x, horizon, amplitude, joined).filter(
      (s) => s.end > view.from && s.start < view.to,
    ),
    slack: runs(turning, x, () => "turn"),
    notches: transitions
      .filter((entry) => !TURNING.has(entry.kind))
      .map((entry) => spanOf([entry], x, entry.kind)),
    windows: runs(seen, x, (entry) => `${entry.window} ${entry.window_side}`).map((span) => ({
      ...span,
      name: span.name.split(" ")[0] ?? "",
    })),
    places: runs(seen, x, (entry) => placeWord(entry.place, entry.position)),
    ticks: ticks(view, x),
    strokes:
      x(1) - x(0) < (view.to - view.from < sheet.seconds ? LARGE.part : LARGE.whole)
        ? []
        : seen.filter((e) => e.kind === "stroke").map((entry) => strokeSpan(entry, x, amplitude)),
    x,
    second: x.invert,
  };
}

function strokeSpan(entry: Entry, x: (second: number) => number, amplitude: number): StrokeSpan {
  return {
    entry,
    x0: x(entry.start),
    x1: x(entry.start + entry.seconds),
    rise: ((entry.depth ?? 1) / 5) * amplitude,
  };
}

/** Neighbouring entries of one name as one span. */
function runs(
  entries: Entry[],
  x: (second: number) => number,
  nameOf: (entry: Entry) => string,
): ClockSpan[] {
  const groups: Entry[][] = [];
  for (const entry of entries) {
    const before = groups.at(-1)?.at(-1);
    const joins = before && before.start + before.seconds === entry.start && nameOf(before) === nameOf(entry);
    if (joins) groups.at(-1)?.push(entry);
    else groups.push([entry]);
  }
  return groups.map((group) => spanOf(group, x, nameOf(group[0] as Entry)));
}

function spanOf(group: Entry[], x: (second: number) => number, name: string): ClockSpan {
  const first = group[0] as Entry;
  const last = group.at(-1) as Entry;
  const end = last.start + last.seconds;
  return {
    x0: x(first.start),
    x1: x(end),
    seconds: end - first.start,
    name,
    side: first.window_side,
    kind: first.kind,
  };
}

function ticks({ from, to }: View, x: (second: number) => number): Tick[] {
  const room = (x(300) - x(0)) / 42;
  const every = room >= 5 ? 1 : room >= 1 ? 5 : room >= 0.5 ? 10 : 15;
  const first = Math.ceil(from / 60 / every);
  const count = Math.floor(to / 60 / every) - first;
  return Array.from({ length: count + 1 }, (_, i) => ({
    x: x((first + i) * every * 60),
    minute: (first + i) * every,
  }));
}
