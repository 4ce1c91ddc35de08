/**
 * The tide line's layout: a run sheet and a size in, shapes out. Work on the client's right swells above the
 * horizon, work on the left hangs below it, mid-line work does both. Height is applied depth, 1 to 5.
 */
import { scaleLinear } from "d3-scale";
import { area, curveMonotoneX } from "d3-shape";
import type { Entry, Outline, RunSheet } from "../api/client";
import { placeWord } from "../phrases/words";
import { profileOf, type Softness } from "./profile";

export interface Size {
  width: number;
  height: number;
}

export interface Swell {
  part: number;
  partId: string;
  /** All parts in it, when neighbouring parts are joined. */
  partIds: string[];
  region: string;
  side: Entry["side"];
  role: Entry["role"];
  start: number;
  end: number;
  x0: number;
  x1: number;
  /** Area above the horizon, empty if the work is on the left only. */
  above: string;
  /** Area below the horizon, empty if the work is on the right only. */
  below: string;
  /** Crest of the swell, pixels from the horizon. */
  crest: number;
  deepest: number;
}

export interface Span {
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
  slack: Span[];
  /** All other transitions. */
  notches: Span[];
  windows: Span[];
  places: Span[];
  ticks: Tick[];
  /** Where the line is drawn large, its strokes one by one; else none. */
  strokes: StrokeSpan[];
  x(second: number): number;
  second(x: number): number;
}

export interface Margins {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

const SINGLE: Softness = { shore: 75, blur: 0.07 };
const JOINED: Softness = { shore: 240, blur: 0.14 };
const TURNING = new Set<Entry["kind"]>(["turn", "sit_back", "bolster"]);

/** Pixels for a second from which single strokes have room for their names. */
const LARGE = 1.6;

/**
 * Lay `sheet` into `size`, all of it or the `view` of it. `joined` makes one swell of neighbouring parts of one side,
 * for small pictures.
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
      x(1) - x(0) < LARGE
        ? []
        : seen.filter((e) => e.kind === "stroke").map((entry) => strokeSpan(entry, x, amplitude)),
    x,
    second: x.invert,
  };
}

/** The swells of a session in little, from its run sheet or the outline of one. */
export function smallSwells(sheet: RunSheet | Outline, size: Size, margins: Margins) {
  const x = scaleLinear([0, Math.max(sheet.seconds, 1)], [margins.left, size.width - margins.right]);
  const { horizon, amplitude } = water(size, margins);
  return { horizon, swells: swellsOf(sheet, x, horizon, amplitude, true) };
}

function water(size: Size, margins: Margins): { horizon: number; amplitude: number } {
  const amplitude = (size.height - margins.top - margins.bottom) / 2;
  return { horizon: margins.top + amplitude, amplitude };
}

function strokeSpan(entry: Entry, x: (second: number) => number, amplitude: number): StrokeSpan {
  return {
    entry,
    x0: x(entry.start),
    x1: x(entry.start + entry.seconds),
    rise: ((entry.depth ?? 1) / 5) * amplitude,
  };
}

type Stroked = Pick<
  Entry,
  "part" | "part_id" | "role" | "side" | "position" | "start" | "seconds" | "depth"
> &
  Partial<Pick<Entry, "region">>;

function swellsOf(
  sheet: RunSheet | Outline,
  x: (second: number) => number,
  horizon: number,
  amplitude: number,
  joined: boolean,
): Swell[] {
  const strokes: readonly Stroked[] =
    "strokes" in sheet ? sheet.strokes : sheet.entries.filter((entry) => entry.kind === "stroke");
  return strokesByPart(strokes, joined).map((one) =>
    swell(one, x, horizon, amplitude, joined ? JOINED : SINGLE),
  );
}

/** The strokes of each part, in order; `joined`, of neighbouring parts of one side in one position. */
function strokesByPart(strokes: readonly Stroked[], joined: boolean): Stroked[][] {
  const parts: Stroked[][] = [];
  for (const stroke of strokes) {
    if (joined && stroke.role !== "work") continue;
    const last = parts.at(-1)?.at(-1);
    const alike = joined && last?.side === stroke.side && last.position === stroke.position;
    if (last && (last.part === stroke.part || alike)) parts.at(-1)?.push(stroke);
    else parts.push([stroke]);
  }
  return parts;
}

function swell(
  entries: Stroked[],
  x: (second: number) => number,
  horizon: number,
  amplitude: number,
  softness: Softness,
): Swell {
  const first = entries[0] as Stroked;
  const last = entries.at(-1) as Stroked;
  const deepest = Math.max(...entries.map((entry) => entry.depth ?? 1));
  const points = profileOf(
    entries.map((entry) => ({ start: entry.start, seconds: entry.seconds, depth: entry.depth ?? 1 })),
    softness,
  );
  const height = (depth: number) => (depth / 5) * amplitude;
  const shape = (direction: 1 | -1) =>
    area<[number, number]>()
      .x(([second]) => round(x(second)))
      .y0(horizon)
      .y1(([, depth]) => round(horizon - direction * height(depth)))
      .curve(curveMonotoneX)(points) ?? "";
  return {
    part: first.part,
    partId: first.part_id,
    partIds: [...new Set(entries.map((entry) => entry.part_id))],
    region: first.region ?? "",
    side: first.side,
    role: first.role,
    start: first.start,
    end: last.start + last.seconds,
    x0: x(first.start),
    x1: x(last.start + last.seconds),
    above: first.side === "left" ? "" : shape(1),
    below: first.side === "right" ? "" : shape(-1),
    crest: height(deepest),
    deepest,
  };
}

/** Neighbouring entries of one name as one span. */
function runs(entries: Entry[], x: (second: number) => number, nameOf: (entry: Entry) => string): Span[] {
  const groups: Entry[][] = [];
  for (const entry of entries) {
    const before = groups.at(-1)?.at(-1);
    const joins = before && before.start + before.seconds === entry.start && nameOf(before) === nameOf(entry);
    if (joins) groups.at(-1)?.push(entry);
    else groups.push([entry]);
  }
  return groups.map((group) => spanOf(group, x, nameOf(group[0] as Entry)));
}

function spanOf(group: Entry[], x: (second: number) => number, name: string): Span {
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

function round(value: number): number {
  return Math.round(value * 100) / 100;
}
