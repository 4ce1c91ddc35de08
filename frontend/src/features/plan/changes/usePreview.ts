import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { type Adjustment, api, type Brief, body, type Edit } from "../../../api/client";

/** A change that is looked at before it is taken: what it is, by what it comes about, and how it would be. */
export interface Preview {
  words: string;
  edits: Edit[];
  /** Another brief by which it comes about, instead of edits. */
  brief?: Brief;
  tried: Adjustment;
}

/** Trying edits, so that their effect can be seen before they are taken or left. */
export function usePreview(sessionId: string, revision: number) {
  const [shown, setShown] = useState<{ preview: Preview; revision: number } | null>(null);
  const trying = useMutation({
    mutationFn: ({ edits }: { words: string; edits: Edit[] }) =>
      body<Adjustment>(
        api.POST("/api/sessions/{session_id}/edits/trial", {
          params: { path: { session_id: sessionId } },
          body: { edits },
        }),
      ),
    onSuccess: (tried, { words, edits }) => setShown({ preview: { words, edits, tried }, revision }),
  });
  return {
    // What was tried over another plan than the one that stands says nothing any more.
    preview: shown?.revision === revision ? shown.preview : null,
    problem: trying.error,
    tryEdits: (words: string, edits: Edit[]) => trying.mutate({ words, edits }),
    show: (preview: Preview) => setShown({ preview, revision }),
    leave() {
      setShown(null);
      trying.reset();
    },
  };
}
