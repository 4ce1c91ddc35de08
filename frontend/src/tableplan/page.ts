/** From a posture to the page: where regions and zones lie for one who looks down on the client. */
import type { Entry } from "../api/client";
import { axes, type Frame, type Point, patch, within } from "./geometry";
import type { Names } from "./moment";
import type { Posture, Which } from "./postures";
import { ZONES } from "./zones";

export const WIDTH = 236;
export const HEIGHT = 128;
export const [LEFT, MIDDLE] = [28, HEIGHT / 2];

export type Turn = (point: Point) => Point;

/** From a posture's centimetres to the page's; whoever sits is put in the middle. */
export function onPage(posture: Posture): Turn {
  const left = LEFT + (180 - posture.length) / 2;
  return ([u, v]) => [left + u, MIDDLE - v];
}

export function moved(frame: Frame, turn: Turn): Frame {
  return { ...frame, from: turn(frame.from), to: turn(frame.to) };
}

export function sidesOf(region: string, side: Entry["side"], names: Names): Which[] {
  if (names.regions[region]?.sides === "mid") return ["right"];
  return side === "left" || side === "right" ? [side] : ["right", "left"];
}

export function framesOf(posture: Posture, region: string, sides: readonly Which[], turn: Turn): Frame[] {
  const found = sides.map((side) => posture.region(region, side));
  return found.filter((frame) => frame !== undefined).map((frame) => moved(frame, turn));
}

/** Which way across a strip is outward: away from the body's axis on the page. */
function outward(frame: Frame): 1 | -1 {
  const [, across] = axes(frame);
  return (frame.from[1] + frame.to[1]) / 2 + across[1] >= MIDDLE === across[1] >= 0 ? 1 : -1;
}

export interface ZonePatch {
  path: string;
  /** Its middle on the page. */
  at: Point;
}

/** A zone of the middle that reaches farther than this to both sides has two halves. */
const BROAD = 0.3;

/**
 * Where a zone lies on the page: on a region of the middle a zone off the middle lies on both sides. `halved`: what lies
 * broadly over the middle is told apart by its halves.
 */
export function zonePatches(
  region: string,
  zone: string | null | undefined,
  frame: Frame,
  names: Names,
  halved = false,
): ZonePatch[] {
  const place = ZONES[region]?.[zone ?? ""];
  if (!place) return [];
  const [a, b, ra, rb] = place;
  const piece = (b: number, rb: number) => ({ path: patch(frame, a, b, ra, rb), at: within(frame, a, b) });
  if (names.regions[region]?.sides !== "mid") return [piece(b * outward(frame), rb)];
  if (b !== 0) return [piece(b, rb), piece(-b, rb)];
  return halved && rb > BROAD ? [piece(rb / 2, rb / 2), piece(-rb / 2, rb / 2)] : [piece(0, rb)];
}

export function zonePaths(
  region: string,
  zone: string | null | undefined,
  frame: Frame,
  names: Names,
): string[] {
  return zonePatches(region, zone, frame, names).map(({ path }) => path);
}
