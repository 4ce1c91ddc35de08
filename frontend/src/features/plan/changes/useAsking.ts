import { useMutation } from "@tanstack/react-query";
import { type Adjustment, api, type Brief, body } from "../../../api/client";
import type { Preview } from "./usePreview";

/** Another brief, tried with the least change and shown before it is taken. */
export function useAsking(session_id: string, show: (preview: Preview) => void) {
  const trying = useMutation({
    mutationFn: ({ brief }: { words: string; brief: Brief }) =>
      body<Adjustment>(
        api.POST("/api/sessions/{session_id}/adjustment", {
          params: { path: { session_id } },
          body: { brief },
        }),
      ),
    onSuccess: (tried, { words, brief }) => show({ words, edits: [], brief, tried }),
  });
  return {
    ask: (words: string, brief: Brief) => trying.mutate({ words, brief }),
    trying: trying.isPending,
    problem: trying.error,
    forget: trying.reset,
  };
}
