/** A region worked beside the plan: what is shown of it, and what follows. */
import type { Entry, Extra, RunState } from "../../../api/client";

export type Addition = RunState["added"][number];

/** The region being worked beside the plan now, if any. */
export function additionOf(run: RunState): Addition | undefined {
  return run.added.find(({ part_id }) => part_id === run.adding);
}

/** How the region may be worked in the position that `entry` is in. */
export function extraFor(
  addition: Pick<Addition, "region">,
  entry: Entry,
  extras: readonly Extra[],
): Extra | undefined {
  return extras.find(({ region, position }) => region === addition.region && position === entry.position);
}

/** The addition as an entry: where it is, at its deepest stroke, so that a word on pressure has its depth. */
export function entryOf(addition: Addition, entry: Entry, extra: Extra | undefined): Entry {
  const deepest = extra?.steps.reduce((a, b) => (b.depth > a.depth ? b : a));
  return {
    ...entry,
    kind: "stroke",
    role: "work",
    part_id: addition.part_id,
    region: addition.region,
    side: addition.side,
    seconds: addition.seconds,
    window: extra?.window ?? "none",
    window_side: addition.side,
    stroke: deepest?.stroke ?? null,
    tool: deepest?.tool ?? null,
    depth: deepest?.depth ?? 1,
    zone: null,
    over: [],
    passes: null,
  };
}

/** The side that still has to get what this one got, before the plan goes on. */
export function otherSide(addition: Addition, added: readonly Addition[], extra: Extra | undefined) {
  const at = extra?.sides.indexOf(addition.side) ?? -1;
  const other = at < 0 ? undefined : extra?.sides[at + 1];
  const paid = added.some((one) => one.region === addition.region && one.side === other);
  return other && !paid ? other : null;
}
