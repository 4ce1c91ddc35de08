/** From a posture to the page: where regions and zones lie for one who looks down on the client. */
import type { Entry } from "../api/client";
import { axes, type Frame, type Point, patch } from "./geometry";
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

export function zonePaths(
  region: string,
  zone: string | null | undefined,
  frame: Frame,
  names: Names,
): string[] {
  const place = ZONES[region]?.[zone ?? ""];
  if (!place) return [];
  const [a, b, ra, rb] = place;
  if (names.regions[region]?.sides === "mid") {
    return b === 0 ? [patch(frame, a, 0, ra, rb)] : [patch(frame, a, b, ra, rb), patch(frame, a, -b, ra, rb)];
  }
  return [patch(frame, a, b * outward(frame), ra, rb)];
}
