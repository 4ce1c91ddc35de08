import { useMutation } from "@tanstack/react-query";
import { api, body, type MendingTried } from "../../../api/client";
import { say } from "../../../phrases/screens/plan/findings";
import type { Preview } from "../changes/usePreview";

/** All repairs of advice together: tried, and shown like any other change before they are taken. */
export function useMending(
  session_id: string,
  show: (preview: Preview) => void,
  tell: (words: string) => void,
) {
  const trying = useMutation({
    mutationFn: () =>
      body<MendingTried>(api.GET("/api/sessions/{session_id}/mending", { params: { path: { session_id } } })),
    onSuccess: ({ mending: { mended = [], edits = [] }, adjustment }) => {
      if (adjustment) show({ words: say.mendedAtOnce(mended.length), edits, tried: adjustment });
      else tell(say.nothingCanBeMended);
    },
  });
  return { tryAll: trying.mutate, trying: trying.isPending, problem: trying.error, forget: trying.reset };
}
