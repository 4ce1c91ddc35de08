/** What this device keeps of runs that nobody has open: sent if it still waits, then dropped once it is over. */
import { Problem } from "./client";
import { forgetOld, forgetRun, forgetTaps, keptSessions, keptSheet, keptTaps, release } from "./keptRuns";
import { MOST_AT_ONCE, sendTaps } from "./sendTaps";

export async function sweepRuns(): Promise<void> {
  for (const sessionId of await keptSessions()) {
    try {
      await sweep(sessionId);
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      // The client was erased, and everything of them goes.
      if (error.document.status === 404) await Promise.all([forgetRun(sessionId), forgetTaps(sessionId)]);
      else if (error.document.status === 0) break;
    }
  }
  // Only what could not be sent for so long is still there.
  await forgetOld(new Date());
}

async function sweep(sessionId: string) {
  for (;;) {
    const taps = (await keptTaps(sessionId)).slice(0, MOST_AT_ONCE);
    const run = await sendTaps(sessionId, taps, (id) => keptSheet(sessionId, id));
    await release(sessionId, new Set(taps.map(({ id }) => id)), run);
    if (taps.length > 0) continue;
    if (run.ended_at) await forgetRun(sessionId);
    return;
  }
}
