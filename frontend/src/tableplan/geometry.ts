/** Plane geometry for the table plan, in centimetres: capsules that taper, and soft closed outlines. */
import { curveCatmullRomClosed, line } from "d3-shape";

export type Point = readonly [number, number];

/** A strip of the body: its axis from `from` to `to`, and its half width at both ends. */
export interface Frame {
  from: Point;
  to: Point;
  width: readonly [number, number];
}

const round = (value: number) => Math.round(value * 10) / 10;
const put = ([x, y]: Point) => `${round(x)} ${round(y)}`;

/** The outline of a strip with round ends, as an SVG path; `grown` by so much all round. */
export function capsule({ from, to, width }: Frame, grown = 0): string {
  const [along, across] = axes({ from, to, width });
  const [r0, r1] = [width[0] + grown, width[1] + grown];
  const side = (at: Point, r: number, sign: number): Point => [
    at[0] + across[0] * r * sign,
    at[1] + across[1] * r * sign,
  ];
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (length < 0.1) return ellipse(from, r0, r0, along);
  return [
    `M${put(side(from, r0, 1))}`,
    `L${put(side(to, r1, 1))}`,
    `A${round(r1)} ${round(r1)} 0 0 0 ${put(side(to, r1, -1))}`,
    `L${put(side(from, r0, -1))}`,
    `A${round(r0)} ${round(r0)} 0 0 0 ${put(side(from, r0, 1))}Z`,
  ].join("");
}

/** The unit vectors along a strip and across it, turned a quarter to the right of it as seen on the page. */
export function axes({ from, to }: Frame): [Point, Point] {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const along: Point = length < 0.1 ? [1, 0] : [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  return [along, [-along[1], along[0]]];
}

/** The point at `a` (0 to 1) of the strip's length and `b` (-1 to 1) of its half width. */
export function within(frame: Frame, a: number, b: number): Point {
  const [, across] = axes(frame);
  const half = frame.width[0] + (frame.width[1] - frame.width[0]) * a;
  return [
    frame.from[0] + (frame.to[0] - frame.from[0]) * a + across[0] * half * b,
    frame.from[1] + (frame.to[1] - frame.from[1]) * a + across[1] * half * b,
  ];
}

/** A piece of a strip: `ra` of its length and `rb` of its half width round the point at `a`, `b`. */
export function patch(frame: Frame, a: number, b: number, ra: number, rb: number): string {
  const length = Math.max(Math.hypot(frame.to[0] - frame.from[0], frame.to[1] - frame.from[1]), 6);
  const half = frame.width[0] + (frame.width[1] - frame.width[0]) * a;
  return ellipse(within(frame, a, b), Math.max(ra * length, 1.5), Math.max(rb * half, 1.3), axes(frame)[0]);
}

/** An ellipse with its long axis `along`. */
export function ellipse([x, y]: Point, rx: number, ry: number, along: Point = [1, 0]): string {
  const turn = round((Math.atan2(along[1], along[0]) * 180) / Math.PI);
  const [dx, dy] = [along[0] * rx, along[1] * rx];
  const arc = `A${round(rx)} ${round(ry)} ${turn} 1 0`;
  return `M${put([x - dx, y - dy])}${arc} ${put([x + dx, y + dy])}${arc} ${put([x - dx, y - dy])}Z`;
}

const soft = line<Point>().curve(curveCatmullRomClosed);

/** A soft closed outline through the points. */
export function outline(points: readonly Point[]): string {
  return soft([...points].map(([x, y]) => [round(x), round(y)] as Point)) ?? "";
}
