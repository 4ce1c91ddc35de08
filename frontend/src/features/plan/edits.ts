/** What is done to stops and strokes by hand, as edits. The other side of a region follows where it is worked alike. */
import type { Edit, Step, Stop } from "../../api/client";

type ChangeStep = Extract<Edit, { kind: "change_step" }>;
export type StepChange = Partial<Omit<ChangeStep, "kind" | "stop_id" | "step">>;

/** The stop, and the other side of its region where that has the very same strokes. */
export function alike(stops: readonly Stop[], stop: Stop): Stop[] {
  return stops.filter(
    (other) =>
      other.id === stop.id ||
      (stop.role === "work" &&
        other.role === "work" &&
        other.region === stop.region &&
        JSON.stringify(other.steps) === JSON.stringify(stop.steps)),
  );
}

/** Gives step `index` other passes, depth, tool, place, words; `clear` takes away what it had of its own. */
export function changeStep(stops: readonly Stop[], stop: Stop, index: number, change: StepChange): Edit[] {
  return alike(stops, stop).map((other) => ({
    kind: "change_step",
    stop_id: other.id,
    step: index,
    clear: [],
    ...change,
  }));
}

/** Takes step `index` away; none if it is the last one of its stop. */
export function removeStep(stops: readonly Stop[], stop: Stop, index: number): Edit[] {
  if (stop.steps.length < 2) return [];
  return alike(stops, stop).map((other) => ({ kind: "remove_step", stop_id: other.id, step: index }));
}

/** Moves step `index` one place on (1) or back (-1); none past the ends of its stop. */
export function moveStep(stops: readonly Stop[], stop: Stop, index: number, by: -1 | 1): Edit[] {
  const to = index + by;
  if (to < 0 || to >= stop.steps.length) return [];
  return alike(stops, stop).map((other) => ({ kind: "move_step", stop_id: other.id, step: index, to }));
}

/** Makes two stops of one before step `at`; by default half way through its strokes. */
export function splitStop(
  stops: readonly Stop[],
  stop: Stop,
  at = Math.floor(stop.steps.length / 2),
): Edit[] {
  if (stop.role !== "work" || at < 1 || at >= stop.steps.length) return [];
  return [{ kind: "split_stop", stop_id: stop.id, at, id: freeId(stops, stop) }];
}

function freeId(stops: readonly Stop[], stop: Stop): string {
  const taken = new Set(stops.map(({ id }) => id));
  let number = 2;
  while (taken.has(`${stop.id}-${number}`)) number += 1;
  return `${stop.id}-${number}`;
}

/** Changes every stroke of several stops at once: one pass more or fewer, one level lighter or deeper where it can be. */
export function changeSeveral(
  stops: readonly Stop[],
  ids: ReadonlySet<string>,
  by: { passes?: number; depth?: number },
  depthOf: (stroke: string) => readonly [number, number] | undefined,
): Edit[] {
  return stops
    .filter((stop) => ids.has(stop.id))
    .flatMap((stop) => stop.steps.map((step, index) => ({ stop, step, index })))
    .flatMap(({ stop, step, index }): Edit[] => {
      const change = by.passes
        ? morePasses(step, by.passes)
        : deeper(step, by.depth ?? 0, depthOf(step.stroke));
      return change ? [{ kind: "change_step", stop_id: stop.id, step: index, clear: [], ...change }] : [];
    });
}

function morePasses(step: Step, by: number): StepChange | undefined {
  const passes = step.passes + by;
  return passes >= 1 && passes <= 60 ? { passes } : undefined;
}

function deeper(
  step: Step,
  by: number,
  bounds: readonly [number, number] | undefined,
): StepChange | undefined {
  const depth = step.depth + by;
  if (!bounds || depth < bounds[0] || depth > bounds[1]) return undefined;
  return { depth };
}

/** Takes several stops away. */
export function removeSeveral(stops: readonly Stop[], ids: ReadonlySet<string>): Edit[] {
  const gone = stops.filter((stop) => ids.has(stop.id) && stop.role === "work");
  return gone.map((stop) => ({ kind: "remove_stop", stop_id: stop.id }));
}
