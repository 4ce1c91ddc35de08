/** What goes before a session and after it: what to prepare, what to take home. */
import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import {
  type AftercareView,
  api,
  body,
  type DayPreparation,
  type EasedDay,
  type Preparation,
  type StockView,
} from "./client";

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

/** What the client of a signed log may take home; `stretch`: of that region, empty for none. */
export const aftercareQuery = (session_id: string, stretch: string | undefined) =>
  queryOptions({
    queryKey: ["aftercare", session_id, stretch],
    queryFn: () =>
      body<AftercareView>(
        api.GET("/api/sessions/{session_id}/aftercare", {
          params: { path: { session_id }, query: stretch === undefined ? {} : { stretch } },
        }),
      ),
    placeholderData: keepPreviousData,
    // The log may have been signed since.
    staleTime: 0,
  });

/** What would spare the hands of whoever is signed in on a day, or a week; it is tried out, which takes a moment. */
export const easingsQuery = (day: string | null, week: boolean) =>
  queryOptions({
    queryKey: ["easings", day, week],
    queryFn: () =>
      body<EasedDay>(api.GET("/api/easings", { params: { query: { week, ...(day ? { day } : {}) } } })),
  });

/** What there is of each lubricant that is counted, and what to buy. */
export const stockQuery = queryOptions({
  queryKey: ["stock"],
  queryFn: () => body<StockView>(api.GET("/api/stock")),
  // What a signed log used is gone from it.
  staleTime: 0,
});
