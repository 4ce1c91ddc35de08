/** What is done to parts and strokes by hand, as edits. With `mirrored`, the server changes the other side alike. */
import type { Edit, Part, Step } from "../../../api/client";

type ChangeStep = Extract<Edit, { kind: "change_step" }>;
export type StepChange = Partial<Omit<ChangeStep, "kind" | "part_id" | "step" | "mirrored">>;

/** Gives step `index` other passes, depth, tool, place, words; `clear` takes away what it had of its own. */
export function changeStep(part: Part, index: number, change: StepChange): Edit[] {
  return [{ kind: "change_step", part_id: part.id, step: index, clear: [], mirrored: true, ...change }];
}

/** Takes step `index` away; none if it is the last one of its part. */
export function removeStep(part: Part, index: number): Edit[] {
  if (part.steps.length < 2) return [];
  return [{ kind: "remove_step", part_id: part.id, step: index, mirrored: true }];
}

/** Moves step `index` one place on (1) or back (-1); none past the ends of its part. */
export function moveStep(part: Part, index: number, by: -1 | 1): Edit[] {
  const to = index + by;
  if (to < 0 || to >= part.steps.length) return [];
  return [{ kind: "move_step", part_id: part.id, step: index, to, mirrored: true }];
}

/** Makes two parts of one before step `at`; by default half way through its strokes. */
export function splitPart(part: Part, at?: number): Edit[] {
  if (part.role !== "work" || part.steps.length < 2) return [];
  return [{ kind: "split_part", part_id: part.id, at }];
}

/** Changes every stroke of several parts at once: one pass more or fewer, one level lighter or deeper where it can be. */
export function changeSeveral(
  parts: readonly Part[],
  ids: ReadonlySet<string>,
  by: { passes?: number; depth?: number },
  depthOf: (stroke: string) => readonly [number, number] | undefined,
): Edit[] {
  return parts
    .filter((part) => ids.has(part.id))
    .flatMap((part) => part.steps.map((step, index) => ({ part, step, index })))
    .flatMap(({ part, step, index }): Edit[] => {
      const change = by.passes
        ? morePasses(step, by.passes)
        : deeper(step, by.depth ?? 0, depthOf(step.stroke));
      return change
        ? [{ kind: "change_step", part_id: part.id, step: index, clear: [], mirrored: false, ...change }]
        : [];
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

/** Takes several parts away. */
export function removeSeveral(parts: readonly Part[], ids: ReadonlySet<string>): Edit[] {
  const gone = parts.filter((part) => ids.has(part.id) && part.role === "work");
  return gone.map((part) => ({ kind: "remove_part", part_id: part.id }));
}
