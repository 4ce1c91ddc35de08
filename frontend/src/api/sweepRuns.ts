/** What this device keeps of runs that nobody has open: sent if it still waits, then dropped once it is over. */
import { api, body, Problem, type RunState } from "./client";
import { forgetOld, forgetRun, forgetTaps, keptSessions, keptTaps, release } from "./keptRuns";

const MOST_AT_ONCE = 200;

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
  const path = { session_id: sessionId };
  for (;;) {
    const events = (await keptTaps(sessionId)).slice(0, MOST_AT_ONCE);
    if (events.length === 0) break;
    const run = await body<RunState>(
      api.POST("/api/sessions/{session_id}/events", { params: { path }, body: { events, sheet: null } }),
    );
    await release(sessionId, new Set(events.map(({ id }) => id)), run);
  }
  const run = await body<RunState>(api.GET("/api/sessions/{session_id}/run", { params: { path } }));
  if (run.ended_at) await forgetRun(sessionId);
}
