/** The fold of a run's events, as the core does it; both sides are held to the same vectors. */
import type { RunEvent, RunState } from "../api/client";
import { contractionsAfter } from "./contractions";
import { pointsAfter } from "./points";

/** What of a run sheet the fold reads: the address of each entry, and which part it belongs to. */
export interface FoldedSheet {
  entries: readonly { part_id: string; address: string }[];
}

export const UNBEGUN: RunState = {
  sheet_id: "",
  news: "",
  entry: 0,
  taken: {},
  said: [],
  seen: [],
  points: [],
  paused: 0,
  allotted: {},
  skipped: [],
  added: [],
  contractions: [],
};

/** The state after one more event. Before `began` and after `ended` nothing changes. */
export function step(state: RunState, event: RunEvent, sheet: FoldedSheet): RunState {
  if (state.ended_at) return state;
  if (!state.begun_at) {
    if (event.kind !== "began") return state;
    return {
      ...spent({ ...state, last_at: event.at }, event.at, sheet),
      sheet_id: event.sheet_id,
      begun_at: event.at,
      news: event.news ?? "",
    };
  }
  return changed(spent(state, event.at, sheet), event, sheet);
}

/** Time up to `at` given to the part that is being worked, or to the pause. A clock that steps back adds none. */
function spent(state: RunState, at: string, sheet: FoldedSheet): RunState {
  const passed = Math.max(0, (Date.parse(at) - Date.parse(state.last_at ?? at)) / 1000);
  const last_at = passed > 0 ? at : (state.last_at ?? at);
  if (state.paused_at) return { ...state, paused: state.paused + passed, last_at };
  const part = presentPart(state, sheet);
  return { ...state, taken: { ...state.taken, [part]: (state.taken[part] ?? 0) + passed }, last_at };
}

/** The part that time now goes to: what was added to the plan, or the present entry's. */
export function presentPart(state: RunState, sheet: FoldedSheet): string {
  return state.adding ?? sheet.entries[state.entry]?.part_id ?? "";
}

function changed(state: RunState, event: RunEvent, sheet: FoldedSheet): RunState {
  switch (event.kind) {
    case "moved": {
      const to = sheet.entries.findIndex(({ address }) => address === event.to);
      // Whoever goes to what is owed, does it.
      const skipped = state.skipped
        .map((skip) => (skip.reason ? skip : without(skip, [event.to])))
        .filter(stands);
      return { ...state, entry: to < 0 ? state.entry : to, adding: null, skipped };
    }
    case "said": {
      const { region, side, depth, word } = event;
      return { ...state, said: [...state.said, { region, side, depth, word }] };
    }
    case "observed": {
      const { sign, region, side } = event;
      return { ...state, seen: [...state.seen, { sign, region, side }] };
    }
    case "point_found":
    case "point_rated":
    case "point_held":
    case "point_travels":
    case "point_left":
    case "point_withdrawn":
      return { ...state, points: pointsAfter(state.points, event) };
    case "paused":
      return { ...state, paused_at: state.paused_at ?? state.last_at ?? null };
    case "resumed":
      return { ...state, paused_at: null };
    case "bent":
      return { ...state, allotted: { ...state.allotted, ...event.seconds }, total: event.total };
    case "skipped": {
      const { part_id, entries, reason = "" } = event;
      const before = state.skipped.map((skip) => without(skip, entries)).filter(stands);
      return { ...state, skipped: [...before, { part_id, entries, reason }] };
    }
    case "added": {
      const { part_id, region, side, seconds } = event;
      const others = state.added.filter((one) => one.part_id !== part_id);
      return {
        ...state,
        added: [...others, { part_id, region, side, seconds, entry: state.entry }],
        adding: part_id,
      };
    }
    case "contraction_began":
    case "contraction_ended":
      return { ...state, contractions: contractionsAfter(state.contractions, event) };
    case "halted":
      return { ...state, halted: event.reason ?? "", ended_at: event.at };
    case "ended":
      return { ...state, ended_at: event.at };
    default:
      return state;
  }
}

type Skip = RunState["skipped"][number];

function without(skip: Skip, entries: readonly string[]): Skip {
  return { ...skip, entries: skip.entries.filter((entry) => !entries.includes(entry)) };
}

function stands(skip: Skip): boolean {
  return skip.entries.length > 0;
}
