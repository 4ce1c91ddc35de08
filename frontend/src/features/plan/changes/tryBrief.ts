import { type Adjustment, api, type Brief, body } from "../../../api/client";

/** What another brief would come to with the least change; nothing is stored. */
export function tryBrief(session_id: string, brief: Brief): Promise<Adjustment> {
  return body<Adjustment>(
    api.POST("/api/sessions/{session_id}/adjustment", { params: { path: { session_id } }, body: { brief } }),
  );
}
