import { useQueryClient } from "@tanstack/react-query";
import type { Catalogue } from "./client";
import { catalogueQuery } from "./queries";

/** The practice's catalogue, for whatever is drawn on a page that has waited for it. */
export function useCatalogue(): Catalogue {
  const known = useQueryClient().getQueryData(catalogueQuery.queryKey);
  if (!known) throw new Error("a page waits for the catalogue before it draws what needs it");
  return known;
}
