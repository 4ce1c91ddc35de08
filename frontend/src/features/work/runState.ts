/** The fold of a run's events, as the core does it; both sides are held to the same vectors. */
import type { RunEvent, RunState } from "../../api/client";

/** What of a run sheet the fold reads: which stop each entry belongs to. */
export interface Entries {
  entries: readonly { stop_id: string }[];
}

export const UNBEGUN: RunState = { news: "", entry: 0, taken: {}, said: [] };

/** The state after one more event. Before `began` and after `ended` nothing changes. */
export function step(state: RunState, event: RunEvent, sheet: Entries): RunState {
  if (state.ended_at) return state;
  if (!state.begun_at) {
    if (event.kind !== "began") return state;
    return {
      ...state,
      begun_at: event.at,
      last_at: event.at,
      news: event.news ?? "",
      taken: spent(state, sheet, 0),
    };
  }
  const last = Date.parse(state.last_at ?? state.begun_at);
  const passed = Math.max(0, (Date.parse(event.at) - last) / 1000);
  const next: RunState = {
    ...state,
    taken: spent(state, sheet, passed),
    last_at: passed > 0 ? event.at : state.last_at,
  };
  switch (event.kind) {
    case "moved":
      return { ...next, entry: Math.min(event.to, sheet.entries.length - 1) };
    case "said": {
      const { region, side, depth, word } = event;
      return { ...next, said: [...state.said, { region, side, depth, word }] };
    }
    case "ended":
      return { ...next, ended_at: event.at };
    default:
      return next;
  }
}

function spent(state: RunState, sheet: Entries, seconds: number): Record<string, number> {
  const stop = sheet.entries[state.entry]?.stop_id ?? "";
  return { ...state.taken, [stop]: (state.taken[stop] ?? 0) + seconds };
}
