/**
 * The swells of a tide line: strokes in, shapes out. Work on the client's right swells above the horizon, work on the left
 * hangs below it, mid-line work does both. Height is applied depth, 1 to 5.
 */
import { scaleLinear } from "d3-scale";
import { area, curveMonotoneX } from "d3-shape";
import type { Entry, Outline, RunSheet } from "../api/client";
import { profileOf, type Softness } from "./profile";

export interface Size {
  width: number;
  height: number;
}

export interface Margins {
  left: number;
  right: number;
  top: number;
  bottom: number;
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

const SINGLE: Softness = { shore: 75, blur: 0.07 };
const JOINED: Softness = { shore: 240, blur: 0.14 };
/** Pixels that a swell of a small picture has at least: thinner ones read as bristles. */
export const THINNEST = 6;

/** The swells of a session in little, from its run sheet or the outline of one: what lies under one cover is one. */
export function smallSwells(sheet: RunSheet | Outline, size: Size, margins: Margins) {
  const x = scaleLinear([0, Math.max(sheet.seconds, 1)], [margins.left, size.width - margins.right]);
  const { horizon, amplitude } = water(size, margins);
  const groups = joinThin(strokesByPart(strokesOf(sheet), true), (seconds) => x(seconds) - x(0));
  return { horizon, swells: groups.map((one) => swell(one, x, horizon, amplitude, JOINED)) };
}

/** Groups that would be drawn too thin, joined to the one before them, or the first to the one after. */
function joinThin(groups: Stroked[][], wide: (seconds: number) => number): Stroked[][] {
  const joined: Stroked[][] = [];
  for (const group of groups) {
    const before = joined.at(-1);
    if (before && (wide(lengthOf(group)) < THINNEST || wide(lengthOf(before)) < THINNEST))
      before.push(...group);
    else joined.push([...group]);
  }
  return joined;
}

function lengthOf(group: readonly Stroked[]): number {
  const last = group.at(-1);
  return last ? last.start + last.seconds - (group[0]?.start ?? 0) : 0;
}

/** Where the horizon lies in a picture, and how high the deepest work rises from it, in px. */
export function water(size: Size, margins: Margins): { horizon: number; amplitude: number } {
  const amplitude = (size.height - margins.top - margins.bottom) / 2;
  return { horizon: margins.top + amplitude, amplitude };
}

type Stroked = Pick<
  Entry,
  "part" | "part_id" | "role" | "side" | "position" | "window" | "window_side" | "start" | "seconds" | "depth"
> &
  Partial<Pick<Entry, "region">>;

/** The swells of all strokes of a sheet, over the pixels that `x` gives a second. */
export function swellsOf(
  sheet: RunSheet | Outline,
  x: (second: number) => number,
  horizon: number,
  amplitude: number,
  joined: boolean,
): Swell[] {
  return strokesByPart(strokesOf(sheet), joined).map((one) =>
    swell(one, x, horizon, amplitude, joined ? JOINED : SINGLE),
  );
}

function strokesOf(sheet: RunSheet | Outline): readonly Stroked[] {
  return "strokes" in sheet ? sheet.strokes : sheet.entries.filter((entry) => entry.kind === "stroke");
}

/** The strokes of each part, in order; `joined`, of neighbouring parts under one cover in one position. */
function strokesByPart(strokes: readonly Stroked[], joined: boolean): Stroked[][] {
  const parts: Stroked[][] = [];
  for (const stroke of strokes) {
    if (joined && stroke.role !== "work") continue;
    const last = parts.at(-1)?.at(-1);
    const alike = joined && last && underOneCover(last, stroke);
    if (last && (last.part === stroke.part || alike)) parts.at(-1)?.push(stroke);
    else parts.push([stroke]);
  }
  return parts;
}

/** Whether nothing is covered, uncovered or turned between two strokes. */
function underOneCover(one: Stroked, next: Stroked): boolean {
  return one.position === next.position && one.window === next.window && one.window_side === next.window_side;
}

/** The side of all of them; the middle where they are of both. */
function sideOf(entries: readonly Stroked[]): Entry["side"] {
  const sides = new Set(entries.map(({ side }) => side));
  const [only] = sides;
  return sides.size === 1 && only ? only : "mid";
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
  const side = sideOf(entries);
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
    side,
    role: first.role,
    start: first.start,
    end: last.start + last.seconds,
    x0: x(first.start),
    x1: x(last.start + last.seconds),
    above: side === "left" ? "" : shape(1),
    below: side === "right" ? "" : shape(-1),
    crest: height(deepest),
    deepest,
  };
}

function round(value: number): number {
  return Math.round(value * 100) / 100;
}
