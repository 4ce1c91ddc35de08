import { type QueryClient, queryOptions } from "@tanstack/react-query";
import {
  type Alternatives,
  api,
  body,
  type Catalogue,
  type ClientInList,
  type ClientPage,
  type Condition,
  type Drafted,
  type FlowView,
  type Headache,
  type HeadacheQuestion,
  type IntakeReview,
  type Known,
  type Learnt,
  type LeftForNow,
  type LogView,
  type Me,
  type OwnPaceView,
  type PartPlaces,
  type Reasons,
  type SessionView,
  type StrokePick,
  type StrokeReasons,
  type Suggestion,
  type TableSide,
  type Version,
} from "./client";
import { writeAs } from "./manner";
import { orKept } from "./orKept";
import { becomeOwner } from "./owner";

export const meQuery = queryOptions({
  queryKey: ["me"],
  queryFn: () =>
    orKept(
      async (signal) => {
        const me = await body<Me>(api.GET("/api/me", { signal }));
        becomeOwner(me.person_id);
        return me;
      },
      (run) => run.me,
    ).then((me) => {
      writeAs(me.manner);
      return me;
    }),
  staleTime: Number.POSITIVE_INFINITY,
});

export const catalogueQuery = queryOptions({
  queryKey: ["catalogue"],
  queryFn: () =>
    orKept(
      (signal) => body<Catalogue>(api.GET("/api/catalogue", { signal })),
      (run) => run.catalogue,
    ),
  staleTime: Number.POSITIVE_INFINITY,
});

/** The conditions that are told most in the practice, by id. */
export const mostToldQuery = queryOptions({
  queryKey: ["most told"],
  queryFn: () => body<string[]>(api.GET("/api/conditions/most-told")),
  staleTime: Number.POSITIVE_INFINITY,
});

export const headacheQuestionsQuery = queryOptions({
  queryKey: ["headache questions"],
  queryFn: () => body<HeadacheQuestion[]>(api.GET("/api/headache-questions")),
  staleTime: Number.POSITIVE_INFINITY,
});

/** The condition that a headache of a session's client is. */
export const headacheQuery = (sessionId: string, told: Headache) =>
  queryOptions({
    queryKey: ["headache", sessionId, told],
    queryFn: () =>
      body<Condition>(
        api.POST("/api/sessions/{session_id}/headache", {
          params: { path: { session_id: sessionId } },
          body: told,
        }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const sessionQuery = (sessionId: string) =>
  queryOptions({
    queryKey: ["session", sessionId],
    queryFn: () =>
      orKept(
        (signal) =>
          body<SessionView>(
            api.GET("/api/sessions/{session_id}", { params: { path: { session_id: sessionId } }, signal }),
          ),
        (run) => run.session,
        sessionId,
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

/** What the table's side works with: the device needs no server for it after that. */
export const tableSideQuery = (sessionId: string) =>
  queryOptions({
    queryKey: ["table-side", sessionId],
    queryFn: () =>
      orKept(
        (signal) =>
          body<TableSide>(
            api.GET("/api/sessions/{session_id}/table-side", {
              params: { path: { session_id: sessionId } },
              signal,
            }),
          ),
        (run) => run.side,
        sessionId,
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

/** Why a part has its strokes, as the flow stands at `revision`. */
export const strokeReasonsQuery = (sessionId: string, revision: number, partId: string) =>
  queryOptions({
    queryKey: ["reasons", sessionId, revision, partId],
    queryFn: () =>
      body<StrokeReasons>(
        api.GET("/api/sessions/{session_id}/reasons/{part_id}", {
          params: { path: { session_id: sessionId, part_id: partId } },
        }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** What earlier sessions left for this one. */
export const followUpsQuery = (sessionId: string) =>
  queryOptions({
    queryKey: ["follow-ups", sessionId],
    queryFn: () =>
      body<LeftForNow[]>(
        api.GET("/api/sessions/{session_id}/follow-ups", { params: { path: { session_id: sessionId } } }),
      ),
  });

/** The next plan of a client, drafted. */
export const draftQuery = (clientId: string) =>
  queryOptions({
    queryKey: ["learnt", clientId, "draft"],
    queryFn: () =>
      body<Drafted>(
        api.GET("/api/clients/{client_id}/learnt/draft", { params: { path: { client_id: clientId } } }),
      ),
  });

/** The pace of whoever is signed in. */
export const ownPaceQuery = queryOptions({
  queryKey: ["own-pace"],
  queryFn: () => body<OwnPaceView>(api.GET("/api/own-pace")),
});

/** What a client's visits have taught. */
export const learntQuery = (clientId: string) =>
  queryOptions({
    queryKey: ["learnt", clientId],
    queryFn: () =>
      body<Learnt>(api.GET("/api/clients/{client_id}/learnt", { params: { path: { client_id: clientId } } })),
  });

export const logQuery = (sessionId: string) =>
  queryOptions({
    queryKey: ["log", sessionId],
    queryFn: () =>
      body<LogView>(
        api.GET("/api/sessions/{session_id}/log", { params: { path: { session_id: sessionId } } }),
      ),
  });

/** Where a part of the flow at `revision` may go. */
export const placesQuery = (sessionId: string, revision: number, partId: string) =>
  queryOptions({
    queryKey: ["places", sessionId, revision, partId],
    queryFn: () =>
      body<PartPlaces>(
        api.GET("/api/sessions/{session_id}/parts/{part_id}/places", {
          params: { path: { session_id: sessionId, part_id: partId } },
        }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** The strokes for a part of the flow at `revision`. */
export const picksQuery = (sessionId: string, revision: number, partId: string) =>
  queryOptions({
    queryKey: ["picks", sessionId, revision, partId],
    queryFn: () =>
      body<StrokePick[]>(
        api.GET("/api/sessions/{session_id}/parts/{part_id}/strokes", {
          params: { path: { session_id: sessionId, part_id: partId } },
        }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** What a typed line could mean in the flow at `revision`. */
export const suggestionsQuery = (sessionId: string, revision: number, line: string, at: string | null) =>
  queryOptions({
    queryKey: ["suggestions", sessionId, revision, line, at],
    queryFn: () =>
      body<Suggestion[]>(
        api.GET("/api/sessions/{session_id}/suggestions", {
          params: { path: { session_id: sessionId }, query: { line, at } },
        }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** The named versions of a plan, and which of them is what stands at `revision`. */
export const versionsQuery = (sessionId: string, revision: number) =>
  queryOptions({
    queryKey: ["versions", sessionId, revision],
    queryFn: () =>
      body<Version[]>(
        api.GET("/api/sessions/{session_id}/versions", { params: { path: { session_id: sessionId } } }),
      ),
  });

export const flowsQuery = queryOptions({
  queryKey: ["flows"],
  queryFn: () => body<FlowView[]>(api.GET("/api/flows")),
});

/** The clients that what was typed could mean. */
export const clientsQuery = (typed: string, archived: boolean) =>
  queryOptions({
    queryKey: ["clients", typed, archived],
    queryFn: () => body<ClientInList[]>(api.GET("/api/clients", { params: { query: { typed, archived } } })),
  });

export const clientQuery = (clientId: string) =>
  queryOptions({
    queryKey: ["client", clientId],
    queryFn: () =>
      body<ClientPage>(api.GET("/api/clients/{client_id}", { params: { path: { client_id: clientId } } })),
  });

/** Everything that became known of a client, the newest first. */
export const historyQuery = (clientId: string) =>
  queryOptions({
    queryKey: ["history", clientId],
    queryFn: () =>
      body<Known[]>(
        api.GET("/api/clients/{client_id}/history", { params: { path: { client_id: clientId } } }),
      ),
  });

/** A handed-in intake, as the therapist reads it. */
export const intakeQuery = (intakeId: string) =>
  queryOptions({
    queryKey: ["intake", intakeId],
    queryFn: () =>
      body<IntakeReview>(api.GET("/api/intakes/{intake_id}", { params: { path: { intake_id: intakeId } } })),
  });

/** Asks anew for what has just been changed; an answer from before the change that is still on its way does not count. */
export async function askAgain(queries: QueryClient, query: { queryKey: readonly unknown[] }) {
  const { queryKey } = query;
  await queries.cancelQueries({ queryKey });
  await queries.invalidateQueries({ queryKey });
}
