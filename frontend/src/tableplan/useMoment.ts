/** What the table plan shows of a session at one of its moments. */
import { useMemo } from "react";
import type { Catalogue, Entry, SessionView } from "../api/client";
import type { Moment } from "./moment";

export function useMoment(
  session: SessionView,
  entry: Entry | undefined,
  catalogue: Catalogue,
): Moment | null {
  const { restrictions } = session.evaluation;
  const { kind, surface } = session.plan.flow.brief;
  return useMemo(
    () =>
      entry
        ? {
            entry,
            surface: surface ?? catalogue.kinds[kind ?? ""]?.surface ?? "table",
            excluded: restrictions.excluded ?? [],
            barred: (restrictions.regions ?? []).map(({ id }) => id),
            pregnant: kind === "prenatal" || kind === "labour_support",
          }
        : null,
    [entry, restrictions, kind, surface, catalogue],
  );
}
