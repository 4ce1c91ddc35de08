/**
 * The tide line's layout: a run sheet and a size in, shapes out. Work on the client's right swells above the
 * horizon, work on the left hangs below it, mid-line work does both. Height is applied depth, 1 to 5.
 */
import { scaleLinear } from "d3-scale";
import { area, curveMonotoneX } from "d3-shape";
import type { Entry, RunSheet } from "../api/client";
import { placeWord } from "../lib/words";
import { profileOf, type Softness } from "./profile";

export interface Size {
  width: number;
  height: number;
}

export interface Swell {
  stop: number;
  stopId: string;
  /** All stops in it, when neighbouring stops are joined. */
  stopIds: string[];
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
  x(second: number): number;
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

/** Lay `sheet` into `size`. `joined` makes one swell of neighbouring stops of one side, for small pictures. */
export function layTide(sheet: RunSheet, size: Size, margins: Margins, joined = false): TideLayout {
  const x = scaleLinear([0, Math.max(sheet.seconds, 1)], [margins.left, size.width - margins.right]);
  const amplitude = (size.height - margins.top - margins.bottom) / 2;
  const horizon = margins.top + amplitude;
  const transitions = sheet.entries.filter((entry) => entry.kind !== "stroke");
  const turning = transitions.filter((entry) => TURNING.has(entry.kind));
  return {
    horizon,
    amplitude,
    swells: strokesByStop(sheet, joined).map((entries) =>
      swell(entries, x, horizon, amplitude, joined ? JOINED : SINGLE),
    ),
    slack: runs(turning, x, () => "turn"),
    notches: transitions
      .filter((entry) => !TURNING.has(entry.kind))
      .map((entry) => spanOf([entry], x, entry.kind)),
    windows: runs(sheet.entries, x, (entry) => `${entry.window} ${entry.window_side}`).map((span) => ({
      ...span,
      name: span.name.split(" ")[0] ?? "",
    })),
    places: runs(sheet.entries, x, (entry) => placeWord(entry.place, entry.position)),
    ticks: ticks(sheet.seconds, x),
    x,
  };
}

/** The stroke entries of each stop, in order; `joined`, of neighbouring stops of one side in one position. */
function strokesByStop(sheet: RunSheet, joined: boolean): Entry[][] {
  const stops: Entry[][] = [];
  for (const entry of sheet.entries) {
    if (entry.kind !== "stroke" || (joined && entry.role !== "work")) continue;
    const last = stops.at(-1)?.at(-1);
    const alike = joined && last?.side === entry.side && last.position === entry.position;
    if (last && (last.stop === entry.stop || alike)) stops.at(-1)?.push(entry);
    else stops.push([entry]);
  }
  return stops;
}

function swell(
  entries: Entry[],
  x: (second: number) => number,
  horizon: number,
  amplitude: number,
  softness: Softness,
): Swell {
  const first = entries[0] as Entry;
  const last = entries.at(-1) as Entry;
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
    stop: first.stop,
    stopId: first.stop_id,
    stopIds: [...new Set(entries.map((entry) => entry.stop_id))],
    region: first.region,
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

function ticks(seconds: number, x: (second: number) => number): Tick[] {
  const room = (x(300) - x(0)) / 42;
  const every = room >= 1 ? 5 : room >= 0.5 ? 10 : 15;
  const count = Math.floor(seconds / 60 / every);
  return Array.from({ length: count + 1 }, (_, i) => ({ x: x(i * every * 60), minute: i * every }));
}

function round(value: number): number {
  return Math.round(value * 100) / 100;
}
