/** Sore points of one session, as the core keeps them: a number is a series, and three holds are the most. */
import type { RunEvent, RunState } from "../api/client";

export type SorePoint = RunState["points"][number];
type PointEvent = Extract<RunEvent, { point: string }>;

export const MOST_HOLDS = 3;

/** Whether a point may be held again today: not after three holds, not once left, not once its number has risen. */
export function isOpen({ left, holds, numbers }: SorePoint): boolean {
  const [before, last] = numbers.slice(-2);
  return !left && holds < MOST_HOLDS && !(last !== undefined && before !== undefined && last > before);
}

export function pointsAfter(points: readonly SorePoint[], event: PointEvent): SorePoint[] {
  if (event.kind === "point_found") {
    if (points.some(({ id }) => id === event.point)) return [...points];
    const { point: id, region, side, zone = null, named = false } = event;
    return [...points, { id, region, side, zone, named, numbers: [], holds: 0, travels: [], left: false }];
  }
  if (event.kind === "point_withdrawn") return points.filter(({ id }) => id !== event.point);
  return points.map((point) => (point.id === event.point ? changed(point, event) : point));
}

function changed(
  point: SorePoint,
  event: Exclude<PointEvent, { kind: "point_found" | "point_withdrawn" }>,
): SorePoint {
  switch (event.kind) {
    case "point_rated":
      return { ...point, numbers: [...point.numbers, event.number] };
    case "point_held":
      return isOpen(point) ? { ...point, holds: point.holds + 1 } : point;
    case "point_travels":
      return { ...point, travels: [...point.travels, event.to] };
    case "point_left":
      return { ...point, left: true };
  }
}

/** The points that may still be held, in the order to treat them: first those named, then the highest under the ceiling. */
export function inOrder(points: readonly SorePoint[], ceiling: number): SorePoint[] {
  const number = (point: SorePoint) => point.numbers.at(-1) ?? ceiling;
  const rank = (point: SorePoint) => [Number(!point.named), Number(number(point) > ceiling), -number(point)];
  return points
    .filter(isOpen)
    .map((point, index) => ({ point, key: [...rank(point), index] }))
    .sort((a, b) => a.key.reduce((so, k, i) => so || k - (b.key[i] ?? 0), 0))
    .map(({ point }) => point);
}
