import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
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

/** Makes what happens from the run as it is at that very moment, taps not yet drawn included. */
export type Happen = (make: (run: RunState) => Happening | null) => void;

/**
 * The run as the server knows it plus what only this device knows. Events are kept here first, then sent in
 * order, again and again until they arrive; sent twice they count once.
 */
export function useRun(session: SessionView) {
  const queries = useQueryClient();
  const [refusal, setRefusal] = useState<Problem | null>(null);
  const waiting = useRef<RunEvent[]>([]);
  const sending = useRef(false);
  const { session_id: sessionId } = session;
  const { sheet } = session.evaluation;
  const { queryKey } = sessionQuery(sessionId);

  // Read from where both parts are written at once: a render may see one of them late.
  const present = () => {
    const known = queries.getQueryData(queryKey) ?? session;
    return waiting.current.reduce((state, event) => step(state, event, sheet), known.run);
  };
  const [shown, setShown] = useState(() => ({ run: session.run, unsent: 0 }));
  const show = () => setShown({ run: present(), unsent: waiting.current.length });

  const send = async () => {
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
      queries.setQueryData(queryKey, (old) => old && { ...old, run, stage });
      waiting.current = waiting.current.filter((event) => !ids.has(event.id));
      show();
      setRefusal(null);
      await release(sessionId, ids);
    } catch (error) {
      if (error instanceof Problem && error.document.status > 0) setRefusal(error);
    } finally {
      sending.current = false;
    }
  };
  const latest = useRef({ send, show });
  latest.current = { send, show };

  useEffect(() => {
    let gone = false;
    const again = () => latest.current.send();
    kept(sessionId).then((events) => {
      if (gone) return;
      const known = new Set(waiting.current.map((event) => event.id));
      waiting.current = [...events.filter((event) => !known.has(event.id)), ...waiting.current];
      latest.current.show();
      again();
    });
    const timer = setInterval(again, AGAIN);
    addEventListener("online", again);
    return () => {
      gone = true;
      clearInterval(timer);
      removeEventListener("online", again);
    };
  }, [sessionId]);

  const happen: Happen = (make) => {
    const happening = make(present());
    if (!happening) return;
    const event = { ...happening, id: crypto.randomUUID(), at: new Date().toISOString() } as RunEvent;
    waiting.current = [...waiting.current, event];
    show();
    keep(sessionId, event).then(send, send);
  };
  return { ...shown, happen, refusal };
}
