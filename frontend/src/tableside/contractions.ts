/** Contractions as they were timed, as the core counts them; both are held to the same vectors. */
import type { RunEvent, RunState } from "../api/client";

export type Contraction = RunState["contractions"][number];

/** Seconds from one beginning to the next, seconds of each, and seconds for which it goes on: then one calls. */
const APART = 300;
const LASTING = 60;
const FOR = 3600;

export interface Timing {
  length: number | null;
  spacing: number | null;
  call: boolean;
}

export function contractionsAfter(
  before: readonly Contraction[],
  event: Extract<RunEvent, { kind: "contraction_began" | "contraction_ended" }>,
): Contraction[] {
  const last = before.at(-1);
  const open = last && !last.ended_at;
  if (event.kind === "contraction_began")
    return open ? [...before] : [...before, { began_at: event.at, ended_at: null }];
  return open ? [...before.slice(0, -1), { ...last, ended_at: event.at }] : [...before];
}

const seconds = (from: string, to: string) => (Date.parse(to) - Date.parse(from)) / 1000;

/** Whole seconds of the last that has passed, from the one before to the last, and whether the advice is to call. */
export function timing(contractions: readonly Contraction[]): Timing {
  const passed = contractions.flatMap(({ began_at, ended_at }) =>
    ended_at ? [seconds(began_at, ended_at)] : [],
  );
  const [before, last] = contractions.slice(-2);
  const length = passed.at(-1);
  return {
    length: length === undefined ? null : Math.round(length),
    spacing: before && last ? Math.round(seconds(before.began_at, last.began_at)) : null,
    call: closeTogether(contractions),
  };
}

/** Whether over the last hour of a series at least as long the means reach the usual advice. */
function closeTogether(contractions: readonly Contraction[]): boolean {
  const last = contractions.at(-1)?.began_at ?? "";
  const hour = contractions.filter(({ began_at }) => seconds(began_at, last) <= FOR);
  const lengths = hour.flatMap(({ began_at, ended_at }) => (ended_at ? [seconds(began_at, ended_at)] : []));
  const spread = seconds(hour[0]?.began_at ?? last, last);
  if (hour.length < 2 || lengths.length === 0 || spread + APART < FOR) return false;
  const mean = lengths.reduce((sum, one) => sum + one, 0) / lengths.length;
  return spread / (hour.length - 1) <= APART && mean >= LASTING;
}
