import { useMutation } from "@tanstack/react-query";
import type { Brief } from "../../../api/client";
import { tryBrief } from "./tryBrief";
import type { Preview } from "./usePreview";

/** Another brief, tried with the least change and shown before it is taken. */
export function useAsking(session_id: string, show: (preview: Preview) => void) {
  const trying = useMutation({
    mutationFn: ({ brief }: { words: string; brief: Brief }) => tryBrief(session_id, brief),
    onSuccess: (tried, { words, brief }) => show({ words, edits: [], brief, tried }),
  });
  return {
    ask: (words: string, brief: Brief) => trying.mutate({ words, brief }),
    trying: trying.isPending,
    problem: trying.error,
    forget: trying.reset,
  };
}
