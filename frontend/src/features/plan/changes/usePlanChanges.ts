import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import {
  api,
  type Brief,
  body,
  type ConditionPlaces,
  type Edit,
  type PlacesKeptOff,
  Problem,
  type SessionView,
} from "../../../api/client";
import { sessionQuery } from "../../../api/queries";
import { say } from "../../../phrases/screens/plan/changes";
import { shared } from "../../../phrases/screens/shared";

/** Sends a change over the plan read at `revision`. */
type Send = (revision: number) => Promise<{ data?: unknown }>;

/** A change that came too late: what it was, how to send it again, and the plan it was made over. */
export interface TooLate {
  send: Send;
  words: string;
  seen: SessionView["plan"]["flow"];
}

const path = "/api/sessions/{session_id}" as const;

/**
 * Changes of a stored plan, one after the other, each at the newest revision this window has seen. One that comes too
 * late, after another window's or person's, is neither stored nor lost: it waits in `tooLate` for a choice.
 */
export function usePlanChanges(session: SessionView) {
  const queries = useQueryClient();
  const { queryKey } = sessionQuery(session.session_id);
  const params = { path: { session_id: session.session_id } };
  const [tooLate, setTooLate] = useState<TooLate | null>(null);
  const newest = () => queries.getQueryData(queryKey) ?? session;
  const changing = useMutation({
    scope: { id: `plan ${session.session_id}` },
    mutationFn: ({ send }: { send: Send; words: string }) => body<SessionView>(send(newest().revision)),
    onSuccess: (changed) => {
      queries.setQueryData(queryKey, changed);
      queries.invalidateQueries({ queryKey: ["day"] });
      setTooLate(null);
    },
    onError: (error, { send, words }) => {
      if (!(error instanceof Problem) || error.document.type !== CHANGED_ELSEWHERE) return;
      setTooLate({ send, words, seen: newest().plan.flow });
      queries.invalidateQueries({ queryKey });
    },
  });
  const change = (words: string, send: Send) => changing.mutateAsync({ send, words });
  /** For callers that leave it to `problem` to show what went wrong; whether it was made. */
  const quietly = (words: string, send: Send) =>
    change(words, send).then(
      () => true,
      () => false,
    );
  return {
    changing: changing.isPending,
    problem: tooLate ? null : changing.error,
    tooLate,
    /** Leaves what the others have made, or makes the late change over it. */
    leave: () => setTooLate(null),
    insist: () => void (tooLate && quietly(tooLate.words, tooLate.send)),
    forget: changing.reset,
    plan: (brief: Brief, anew: boolean) =>
      change("another brief", (revision) =>
        api.PUT(`${path}/brief`, { params, body: { revision, brief, anew } }),
      ),
    /** `late_minutes`: the client is late by so much, and the session begins later. */
    fit: (brief: Brief, late_minutes = 0) =>
      change(shared.minutesWithLeastChange(brief.booked_minutes), (revision) =>
        api.PUT(`${path}/adjustment`, { params, body: { revision, brief, late_minutes } }),
      ),
    edit: (edits: Edit[], words = say.changeByHand) =>
      quietly(words, (revision) => api.POST(`${path}/edits`, { params, body: { revision, edits } })),
    /** `alone`: the other side does not follow. */
    reshape: (part_id: string, seconds: number, alone = false, passage = false) =>
      quietly(say.anotherLengthOfPart, (revision) =>
        api.POST(`${path}/reshape`, {
          params,
          body: { revision, pull: { part_id, seconds, alone, passage } },
        }),
      ),
    undo: () =>
      quietly(say.undoingChange, (revision) => api.POST(`${path}/undo`, { params, body: { revision } })),
    redo: () =>
      quietly(say.redoingChange, (revision) => api.POST(`${path}/redo`, { params, body: { revision } })),
    keepOff: (places: PlacesKeptOff) =>
      change(say.placesToKeepOff, (revision) =>
        api.PUT(`${path}/excluded`, { params, body: { revision, ...places } }),
      ),
    tellWhere: (told: ConditionPlaces) =>
      quietly(say.whereConditionIs, (revision) =>
        api.PUT(`${path}/condition-places`, { params, body: { revision, told } }),
      ),
    start: (flow_id: string) =>
      change(say.startingFromFlow, (revision) =>
        api.PUT(`${path}/start`, { params, body: { revision, flow_id } }),
      ),
    standAgain: (version_id: string) =>
      change(say.goingBackToVersion, (revision) =>
        api.POST(`${path}/versions/{version_id}/stand`, {
          params: { path: { ...params.path, version_id } },
          body: { revision },
        }),
      ),
  };
}

const CHANGED_ELSEWHERE = "urn:mellow-tide:problem:changed-elsewhere";

export type PlanChanges = ReturnType<typeof usePlanChanges>;
