import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Brief, body, Problem, type SessionView } from "../../api/client";
import { sessionQuery } from "../../api/queries";

/**
 * The brief as wished, and its changes, each planned at once and one after the other. A refused wish stays on screen
 * with its problem; the stored plan stays as it was until `putBack` or a wish that fits.
 */
export function useBrief(session: SessionView) {
  const queries = useQueryClient();
  const { queryKey } = sessionQuery(session.session_id);
  const [wished, setWished] = useState<Brief | null>(null);
  const planning = useMutation({
    scope: { id: `plan ${session.session_id}` },
    mutationFn: ({ brief, anew }: { brief: Brief; anew: boolean }) => {
      const newest = queries.getQueryData(queryKey) ?? session;
      return body<SessionView>(
        api.PUT("/api/sessions/{session_id}/brief", {
          params: { path: { session_id: session.session_id } },
          body: { revision: newest.revision, brief, anew },
        }),
      );
    },
    onSuccess: (planned, { brief }) => {
      queries.setQueryData(queryKey, planned);
      queries.invalidateQueries({ queryKey: ["day"] });
      setWished((now) => (now === brief ? null : now));
    },
    onError: (error) => {
      if (error instanceof Problem && error.document.status === 409) queries.invalidateQueries({ queryKey });
    },
  });
  const stored = session.plan.flow.brief;
  const brief = wished ?? stored;
  return {
    brief,
    planning: planning.isPending,
    problem: planning.error,
    change(patch: Partial<Brief>) {
      const next = { ...brief, ...patch };
      setWished(next);
      planning.mutate({ brief: next, anew: false });
    },
    /** Another plan as it was offered: nothing that was set by hand before is kept. */
    take(other: Brief) {
      setWished(other);
      planning.mutate({ brief: other, anew: true });
    },
    putBack() {
      setWished(null);
      planning.reset();
    },
  };
}
