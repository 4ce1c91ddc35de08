import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, body, type HouseTrial, type HouseView } from "../../../api/client";
import { houseQuery } from "../../../api/practiceQueries";

/**
 * Works otherwise from now on, in one thing; whatever is planned or laid out is asked for anew. Changes are sent one
 * after the other, each with what the one before it left.
 */
export function useHouse() {
  const queries = useQueryClient();
  return useMutation({
    scope: { id: "house" },
    mutationFn: ({ item, after }: HouseTrial) => {
      const seen = queries.getQueryData(houseQuery.queryKey)?.own[item] ?? null;
      return body<HouseView>(api.PUT("/api/house", { body: { item, after, seen } }));
    },
    onSuccess: (house) => {
      queries.setQueryData(houseQuery.queryKey, house);
      // The change is kept: nobody waits for all else to be read again.
      void queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "house" });
    },
    // Somebody else has changed it: what they did is shown.
    onError: () => queries.invalidateQueries({ queryKey: houseQuery.queryKey }),
  });
}
