import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type Adjustment, api, type Brief, body, type SessionView } from "../../api/client";
import { sessionQuery } from "../../api/queries";

/** Trying another length with the least change, and taking it. */
export function useFit(session: SessionView) {
  const queries = useQueryClient();
  const { queryKey } = sessionQuery(session.session_id);
  const path = { session_id: session.session_id };
  const trying = useMutation({
    mutationFn: (brief: Brief) =>
      body<Adjustment>(
        api.POST("/api/sessions/{session_id}/adjustment", { params: { path }, body: { brief } }),
      ),
  });
  const taking = useMutation({
    scope: { id: `plan ${session.session_id}` },
    mutationFn: (brief: Brief) =>
      body<SessionView>(
        api.PUT("/api/sessions/{session_id}/adjustment", {
          params: { path },
          body: { revision: session.revision, brief },
        }),
      ),
    onSuccess: (taken) => {
      queries.setQueryData(queryKey, taken);
      queries.invalidateQueries({ queryKey: ["day"] });
      trying.reset();
    },
  });
  return {
    tried: trying.data,
    working: trying.isPending || taking.isPending,
    problem: trying.error ?? taking.error,
    attempt: trying.mutate,
    take: taking.mutate,
    leave() {
      trying.reset();
      taking.reset();
    },
  };
}
