import { useMutation, useQueryClient } from "@tanstack/react-query";
import { preparationQuery } from "../../api/besideQueries";
import { api, body, type DayPreparation, type Preparation } from "../../api/client";

interface Ticked {
  sessionId: string;
  item: string;
  done: boolean;
}

/** Ticks a thing of a session; it stands here at once, and on the other devices of the practice soon. */
export function usePreparing() {
  const queries = useQueryClient();
  const change = (sessionId: string, to: (before: Preparation) => Preparation) => {
    queries.setQueryData(preparationQuery(sessionId).queryKey, (before) => before && to(before));
    queries.setQueriesData<DayPreparation>({ queryKey: ["preparation", "day"] }, (day) => {
      const sessions = day?.sessions.map((one) => (one.session_id === sessionId ? to(one) : one));
      return day && sessions && { ...day, sessions };
    });
  };
  const show = ({ sessionId, item, done }: Ticked) =>
    change(sessionId, (before) => ({
      ...before,
      items: before.items.map((one) =>
        one.thing.id === item ? { ...one, done_at: done ? new Date().toISOString() : null } : one,
      ),
    }));
  return useMutation({
    mutationFn: ({ sessionId, item, done }: Ticked) =>
      body<Preparation>(
        api.PUT("/api/sessions/{session_id}/preparation/{item}", {
          params: { path: { session_id: sessionId, item } },
          body: { done },
        }),
      ),
    onMutate: show,
    onError: (_error, ticked) => show({ ...ticked, done: !ticked.done }),
    onSuccess: (now) => change(now.session_id, () => now),
  });
}
