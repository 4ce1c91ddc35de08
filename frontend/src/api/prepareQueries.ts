import { queryOptions } from "@tanstack/react-query";
import { api, body, type DayPreparation, type Preparation } from "./client";

/** What other devices tick is seen here too, soon. */
const OTHERS_MS = 20_000;

/** What to prepare for a session. */
export const preparationQuery = (session_id: string) =>
  queryOptions({
    queryKey: ["preparation", session_id],
    queryFn: () =>
      body<Preparation>(
        api.GET("/api/sessions/{session_id}/preparation", { params: { path: { session_id } } }),
      ),
    refetchInterval: OTHERS_MS,
  });

/** What to prepare for a day of whoever is signed in; today without one. */
export const dayPreparationQuery = (day: string | null) =>
  queryOptions({
    queryKey: ["preparation", "day", day],
    queryFn: () =>
      body<DayPreparation>(api.GET("/api/preparation", { params: { query: day ? { day } : {} } })),
    refetchInterval: OTHERS_MS,
  });
