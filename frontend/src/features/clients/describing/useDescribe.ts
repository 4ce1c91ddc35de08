import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, body, type ClientPage, type ClientRecord } from "../../../api/client";
import { clientQuery } from "../../../api/queries";

/** Keeps what is now known of a client: what is named changes, the rest stays. One change after the other. */
export function useDescribe(client: ClientPage) {
  const queries = useQueryClient();
  const { queryKey } = clientQuery(client.client_id);
  return useMutation({
    scope: { id: `client ${client.client_id}` },
    mutationFn: (change: Partial<ClientRecord>) => {
      const { revision, record } = queries.getQueryData(queryKey) ?? client;
      return body<ClientPage>(
        api.PUT("/api/clients/{client_id}", {
          params: { path: { client_id: client.client_id } },
          body: { revision, record: { ...record, ...change } },
        }),
      );
    },
    onSuccess: (described) => {
      queries.setQueryData(queryKey, described);
      for (const key of ["clients", "session", "day", "history"])
        queries.invalidateQueries({ queryKey: [key] });
    },
    // What another window has changed meanwhile is seen before it is tried again.
    onError: () => queries.invalidateQueries({ queryKey }),
  });
}

export type Describe = ReturnType<typeof useDescribe>;
