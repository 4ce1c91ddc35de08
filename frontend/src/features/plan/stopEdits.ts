/** Moving a stop, and giving its other side what it has. */
import type { Edit, Stop } from "../../api/client";

/** The edit that moves a stop one place on (1) or back (-1); none past the first contact or the close. */
export function moveEdits(stops: readonly Stop[], stopId: string, by: -1 | 1): Edit[] {
  const from = stops.findIndex((stop) => stop.id === stopId);
  const to = from + by;
  const last = stops.length - 2;
  if (Math.min(from, to) < 1 || Math.max(from, to) > last) return [];
  return [{ kind: "move_stop", stop_id: stopId, to }];
}

/** The edit that gives the other side of a stop's region the very same strokes; none where there is no other side. */
export function mirrorEdits(stops: readonly Stop[], stopId: string): Edit[] {
  const stop = stops.find((one) => one.id === stopId);
  const mate = stops.find(
    (one) =>
      one.id !== stopId && one.role === "work" && one.region === stop?.region && one.side !== stop?.side,
  );
  if (!stop || !mate || JSON.stringify(stop.steps) === JSON.stringify(mate.steps)) return [];
  return [{ kind: "copy_steps", stop_id: mate.id, like: stop.id }];
}
