/**
 * How a client lies or sits, seen from above, in centimetres: the head to the left of the page, `u` from the crown
 * along the body and `v` upward from its axis. Each posture says where every region it reaches lies, and what of the body
 * and of what holds it up is drawn.
 */
import type { Frame, Point } from "./geometry";

export type Which = "left" | "right";

/** A piece of the body or of what holds it up. */
export type BodyPiece =
  | { kind: "strip"; frame: Frame }
  | { kind: "soft"; points: readonly Point[] }
  | { kind: "round"; at: Point; rx: number; ry: number };

export interface Posture {
  /** Where a region lies; for one of a pair, on the client's `side`. Nothing if it is hidden. */
  region(id: string, side: Which): Frame | undefined;
  body: readonly BodyPiece[];
  /** Under the body: bolsters, pillows, a wedge, a ball, pads. */
  supports: readonly BodyPiece[];
  /** From where the sheet covers a client who is covered, along the body; none for one who is seated. */
  sheetFrom?: number;
  /** How the client's own right is turned on the page: 1 upward, -1 downward. */
  right: 1 | -1;
  /** How far the body reaches along the page. */
  length: number;
}

export type Half = (side: Which) => 1 | -1;

export const strip = (from: Point, to: Point, w0: number, w1 = w0): Frame => ({ from, to, width: [w0, w1] });
export const piece = (from: Point, to: Point, w0: number, w1 = w0): BodyPiece => ({
  kind: "strip",
  frame: strip(from, to, w0, w1),
});

/** Both halves of a soft outline that is the same on either side of the body's axis. */
export function mirrored(points: readonly Point[]): Point[] {
  return [...points, ...[...points].reverse().map(([u, v]): Point => [u, -v])];
}

export function both(make: (sign: 1 | -1) => BodyPiece[]): BodyPiece[] {
  return [...make(1), ...make(-1)];
}
