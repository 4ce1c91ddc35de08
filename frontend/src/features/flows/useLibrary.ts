import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, body, type FlowView } from "../../api/client";
import { askAgain, flowsQuery } from "../../api/queries";
import { say } from "../../phrases/screens/flows";

export type Describing = Pick<FlowView, "name" | "note" | "archived">;

/** Describing a flow, putting it away, bringing it back, and making another like it. */
export function useLibrary(flow: FlowView) {
  const queries = useQueryClient();
  const params = { path: { flow_id: flow.flow_id } };
  const onSettled = () => askAgain(queries, flowsQuery);
  const describing = useMutation({
    mutationFn: (words: Partial<Describing>) =>
      body<FlowView>(
        api.PUT("/api/flows/{flow_id}", {
          params,
          body: {
            revision: flow.revision,
            name: flow.name,
            note: flow.note,
            archived: flow.archived,
            ...words,
          },
        }),
      ),
    onSettled,
  });
  const copying = useMutation({
    mutationFn: () =>
      body<FlowView>(
        api.POST("/api/flows/{flow_id}/copy", {
          params,
          body: { name: say.another(flow.name).slice(0, 80) },
        }),
      ),
    onSettled,
  });
  return {
    describe: describing.mutateAsync,
    copy: copying.mutate,
    problem: describing.error ?? copying.error,
  };
}
