/** Asking the server, or, where it does not answer, what this device keeps of a run that has begun. */
import { Problem } from "./client";
import { type KeptRun, keptRun } from "./keptRuns";

/** How long a server that says nothing is waited for, in ms, if there is something to go on with. */
const PATIENCE = 4000;
/** What stands between this device and the server answers so where the server does not. */
const NOBODY_THERE = new Set([0, 502, 503, 504]);

/** What `ask` answers; `pick` of the kept run of `sessionId` (of any, if none is named) if nobody does. */
export async function orKept<T>(
  ask: (signal: AbortSignal) => Promise<T>,
  pick: (run: KeptRun) => T | null,
  sessionId?: string,
): Promise<T> {
  const giveUp = new AbortController();
  const timer = setTimeout(async () => (await keptRun(sessionId)) && giveUp.abort(), PATIENCE);
  try {
    return await ask(giveUp.signal);
  } catch (error) {
    if (!(error instanceof Problem) || !NOBODY_THERE.has(error.document.status)) throw error;
    const run = await keptRun(sessionId);
    const kept = run && pick(run);
    if (!kept) throw error;
    return kept;
  } finally {
    clearTimeout(timer);
  }
}
