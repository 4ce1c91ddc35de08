import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { RunEvent, RunState } from "../api/client";
import { step, UNBEGUN } from "./fold";

interface Vectors {
  entries: { part_id: string; address: string }[];
  cases: { name: string; events: RunEvent[]; state: RunState }[];
}

// The core writes this file and is tested against it too.
const vectors: Vectors = JSON.parse(readFileSync("../tests/vectors/run_state.json", "utf-8"));
const sheet = { entries: vectors.entries };

/** Instants as numbers, and absent as null, so that only the meaning is compared. */
function meaning(state: RunState) {
  const instant = (at: string | null | undefined) => (at ? Date.parse(at) : null);
  return {
    ...state,
    begun_at: instant(state.begun_at),
    ended_at: instant(state.ended_at),
    last_at: instant(state.last_at),
    paused_at: instant(state.paused_at),
    total: state.total ?? null,
    halted: state.halted ?? null,
    adding: state.adding ?? null,
    contractions: state.contractions.map(({ began_at, ended_at }) => [instant(began_at), instant(ended_at)]),
  };
}

describe("the browser's fold agrees with the core's", () => {
  it.each(vectors.cases)("$name", ({ events, state }) => {
    const folded = events.reduce((so_far, event) => step(so_far, event, sheet), UNBEGUN);
    expect(meaning(folded)).toEqual(meaning(state));
  });
});
