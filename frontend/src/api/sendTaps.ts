import { api, body, Problem, type RunEvent, type RunSheet, type RunState } from "./client";

/** So many taps are sent at once. */
export const MOST_AT_ONCE = 200;
/** How long an answer is waited for, in ms: what was sent may be sent again. */
const PATIENCE = 8000;

/**
 * The run of a session after `taps`, or as it is if there are none. House, pace or plan may have changed since a device
 * asked for the sheet that it works by: then the sheet goes along, as `held` has it by its id.
 */
export async function sendTaps(
  sessionId: string,
  taps: RunEvent[],
  held: (sheetId: string) => Promise<RunSheet | null>,
): Promise<RunState> {
  const to = () => ({
    params: { path: { session_id: sessionId } },
    signal: AbortSignal.timeout(PATIENCE),
  });
  if (taps.length === 0) return body<RunState>(api.GET("/api/sessions/{session_id}/run", to()));
  const send = (sheet: RunSheet | null) =>
    body<RunState>(api.POST("/api/sessions/{session_id}/events", { ...to(), body: { events: taps, sheet } }));
  try {
    return await send(null);
  } catch (error) {
    const began = taps.find((event) => event.kind === "began");
    if (!(error instanceof Problem && error.document.type.endsWith(":sheet-unknown") && began)) throw error;
    return await send(await held(began.sheet_id));
  }
}
