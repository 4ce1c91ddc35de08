import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, body, type Edit, Problem, type SessionView } from "../../api/client";
import { sessionQuery } from "../../api/queries";

type Send = (revision: number) => Promise<{ data?: unknown }>;

/** Changes of a stored plan by hand, one after the other, each at the newest revision. */
export function usePlanChanges(session: SessionView) {
  const queries = useQueryClient();
  const { queryKey } = sessionQuery(session.session_id);
  const params = { path: { session_id: session.session_id } };
  const changing = useMutation({
    scope: { id: `plan ${session.session_id}` },
    mutationFn: (send: Send) => body<SessionView>(send((queries.getQueryData(queryKey) ?? session).revision)),
    onSuccess: (changed) => {
      queries.setQueryData(queryKey, changed);
      queries.invalidateQueries({ queryKey: ["day"] });
    },
    onError: (error) => {
      if (error instanceof Problem && error.document.status === 409) queries.invalidateQueries({ queryKey });
    },
  });
  const path = "/api/sessions/{session_id}" as const;
  return {
    changing: changing.isPending,
    problem: changing.error,
    forget: changing.reset,
    edit: (edits: Edit[]) =>
      changing.mutate((revision) => api.POST(`${path}/edits`, { params, body: { revision, edits } })),
    /** `alone`: the other side does not follow. */
    reshape: (stop_id: string, seconds: number, alone = false) =>
      changing.mutate((revision) =>
        api.POST(`${path}/reshape`, { params, body: { revision, stop_id, seconds, alone } }),
      ),
    undo: () => changing.mutate((revision) => api.POST(`${path}/undo`, { params, body: { revision } })),
    redo: () => changing.mutate((revision) => api.POST(`${path}/redo`, { params, body: { revision } })),
  };
}

export type PlanChanges = ReturnType<typeof usePlanChanges>;
