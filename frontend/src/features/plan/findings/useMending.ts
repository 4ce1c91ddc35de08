import { useMutation } from "@tanstack/react-query";
import { api, body, type MendingTried } from "../../../api/client";
import type { Preview } from "../changes/usePreview";

/** All repairs of advice together: tried, and shown like any other change before they are taken. */
export function useMending(
  session_id: string,
  show: (preview: Preview) => void,
  say: (words: string) => void,
) {
  const trying = useMutation({
    mutationFn: () =>
      body<MendingTried>(api.GET("/api/sessions/{session_id}/mending", { params: { path: { session_id } } })),
    onSuccess: ({ mending: { mended = [], edits = [] }, adjustment }) => {
      if (adjustment) show({ words: `${mended.length} mended at once`, edits, tried: adjustment });
      else say("Nothing of it can be mended without something graver.");
    },
  });
  return { tryAll: trying.mutate, trying: trying.isPending, problem: trying.error, forget: trying.reset };
}
