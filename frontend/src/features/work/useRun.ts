import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { api, body, Problem, type RunEvent, type RunState, type SessionView } from "../../api/client";
import { sessionQuery } from "../../api/queries";
import { keep, kept, release } from "./eventStore";
import { step } from "./runState";

const AGAIN = 4000;

/** What happened, without the id and time that the device adds. */
export type Happening = RunEvent extends infer E
  ? E extends RunEvent
    ? Omit<E, "id" | "at">
    : never
  : never;

/**
 * The run as the server knows it plus what only this device knows. Events are kept here first, then sent in
 * order, again and again until they arrive; sent twice they count once.
 */
export function useRun(session: SessionView) {
  const queries = useQueryClient();
  const [unsent, setUnsent] = useState<RunEvent[]>([]);
  const [refusal, setRefusal] = useState<Problem | null>(null);
  const waiting = useRef<RunEvent[]>([]);
  const sending = useRef(false);
  const { session_id: sessionId } = session;

  const send = useCallback(async () => {
    if (sending.current || waiting.current.length === 0) return;
    sending.current = true;
    const batch = waiting.current.slice(0, 200);
    try {
      const run = await body<RunState>(
        api.POST("/api/sessions/{session_id}/events", {
          params: { path: { session_id: sessionId } },
          body: { events: batch },
        }),
      );
      const ids = new Set(batch.map((event) => event.id));
      const stage = run.ended_at ? ("log" as const) : ("work" as const);
      queries.setQueryData(sessionQuery(sessionId).queryKey, (old) => old && { ...old, run, stage });
      waiting.current = waiting.current.filter((event) => !ids.has(event.id));
      setUnsent(waiting.current);
      setRefusal(null);
      await release(sessionId, ids);
    } catch (error) {
      if (error instanceof Problem && error.document.status > 0) setRefusal(error);
    } finally {
      sending.current = false;
    }
  }, [queries, sessionId]);

  useEffect(() => {
    let gone = false;
    kept(sessionId).then((events) => {
      if (gone) return;
      waiting.current = [...events, ...waiting.current.filter((e) => !events.some((k) => k.id === e.id))];
      setUnsent(waiting.current);
      send();
    });
    const timer = setInterval(send, AGAIN);
    addEventListener("online", send);
    return () => {
      gone = true;
      clearInterval(timer);
      removeEventListener("online", send);
    };
  }, [sessionId, send]);

  const happen = useCallback(
    (happening: Happening) => {
      const event = { ...happening, id: crypto.randomUUID(), at: new Date().toISOString() } as RunEvent;
      waiting.current = [...waiting.current, event];
      setUnsent(waiting.current);
      keep(sessionId, event).then(send);
    },
    [sessionId, send],
  );

  const run = useMemo(
    () => unsent.reduce((state, event) => step(state, event, session.sheet), session.run),
    [unsent, session],
  );
  return { run, happen, unsent: unsent.length, refusal };
}
