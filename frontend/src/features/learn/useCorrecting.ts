import { useMutation, useQueryClient } from "@tanstack/react-query";
import type { Learnt } from "../../api/client";
import { learntQuery } from "../../api/queries";

/** A correction: the estimate moves at once, and what stands on it is asked for anew. */
export function useCorrecting<T>(clientId: string, correct: (correction: T) => Promise<Learnt>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: correct,
    onSuccess: (learnt) => {
      const { queryKey } = learntQuery(clientId);
      queries.setQueryData(queryKey, learnt);
      queries.invalidateQueries({ queryKey: [...queryKey, "draft"] });
      for (const key of ["client", "session"]) queries.invalidateQueries({ queryKey: [key] });
    },
  });
}
