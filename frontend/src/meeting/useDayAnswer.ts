import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, body, type DayAnswer, type SessionView } from "../api/client";
import { sessionQuery } from "../api/queries";

/** Keeps the answer to the question of the day; the session that comes back has it in its plan. */
export function useDayAnswer(session: SessionView) {
  const queries = useQueryClient();
  const { queryKey } = sessionQuery(session.session_id);
  const answering = useMutation({
    mutationFn: ({ answer, lasting }: { answer: DayAnswer; lasting: boolean }) =>
      body<SessionView>(
        api.PUT("/api/sessions/{session_id}/day-answer", {
          params: { path: { session_id: session.session_id } },
          body: { revision: queries.getQueryData(queryKey)?.revision ?? session.revision, answer, lasting },
        }),
      ),
    onSuccess: (answered) => {
      queries.setQueryData(queryKey, answered);
      queries.invalidateQueries({ queryKey: ["day"] });
      queries.invalidateQueries({ queryKey: ["client"] });
    },
    onError: () => queries.invalidateQueries({ queryKey }),
  });
  return answering;
}
