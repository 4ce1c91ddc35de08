import { queryOptions } from "@tanstack/react-query";
import {
  type Alternatives,
  api,
  body,
  type Catalogue,
  type Day,
  type LogView,
  type Me,
  type Reasons,
  type SessionView,
} from "./client";

export const meQuery = queryOptions({
  queryKey: ["me"],
  queryFn: () => body<Me>(api.GET("/api/me")),
  staleTime: Number.POSITIVE_INFINITY,
});

export const catalogueQuery = queryOptions({
  queryKey: ["catalogue"],
  queryFn: () => body<Catalogue>(api.GET("/api/catalogue")),
  staleTime: Number.POSITIVE_INFINITY,
});

export const dayQuery = queryOptions({
  queryKey: ["day"],
  queryFn: () => body<Day>(api.GET("/api/day")),
});

export const sessionQuery = (sessionId: string) =>
  queryOptions({
    queryKey: ["session", sessionId],
    queryFn: () =>
      body<SessionView>(
        api.GET("/api/sessions/{session_id}", { params: { path: { session_id: sessionId } } }),
      ),
  });

/** Other plans for the brief as it stands at `revision`. */
export const alternativesQuery = (sessionId: string, revision: number) =>
  queryOptions({
    queryKey: ["alternatives", sessionId, revision],
    queryFn: () =>
      body<Alternatives>(
        api.GET("/api/sessions/{session_id}/alternatives", { params: { path: { session_id: sessionId } } }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** Why the flow is as it stands at `revision`. */
export const reasonsQuery = (sessionId: string, revision: number) =>
  queryOptions({
    queryKey: ["reasons", sessionId, revision],
    queryFn: () =>
      body<Reasons>(
        api.GET("/api/sessions/{session_id}/reasons", { params: { path: { session_id: sessionId } } }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const logQuery = (sessionId: string) =>
  queryOptions({
    queryKey: ["log", sessionId],
    queryFn: () =>
      body<LogView>(
        api.GET("/api/sessions/{session_id}/log", { params: { path: { session_id: sessionId } } }),
      ),
  });
