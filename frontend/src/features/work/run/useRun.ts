import { type QueryClient, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Problem, type RunEvent, type RunSheet, type RunState, type SessionView } from "../../../api/client";
import { forgetRun, keepRun, keepTap, keptSheet, keptTaps, release } from "../../../api/keptRuns";
import { catalogueQuery, meQuery, sessionQuery, tableSideQuery } from "../../../api/queries";
import { MOST_AT_ONCE, sendTaps } from "../../../api/sendTaps";
import { step } from "../../../tableside/fold";
import { DeviceClock } from "./deviceClock";

/** How often what waits is sent again, and what other devices did is asked for, in ms. */
const AGAIN = 3000;

/** What happened, without the id and time that the device adds; only the server finds a time odd. */
export type Happening = RunEvent extends infer E
  ? E extends RunEvent
    ? Omit<E, "id" | "at" | "odd_at">
    : never
  : never;

/** Makes what happens from the run as it is at that very moment, taps not yet drawn included. */
export type Happen = (make: (run: RunState) => Happening | null) => void;

/**
 * The run as the server knows it plus what only this device knows. Events are kept here first, then sent in order,
 * again and again until they arrive; sent twice they count once. What other devices add is asked for in between.
 */
export function useRun(session: SessionView) {
  const queries = useQueryClient();
  const { session_id: sessionId } = session;
  const { sheet } = session.evaluation;
  const [refusal, setRefusal] = useState<Problem | null>(null);
  const [keeps, setKeeps] = useState(true);
  const waiting = useRef<RunEvent[]>([]);
  const heard = useRef(session.run);
  const busy = useRef(false);
  const clock = useRef(new DeviceClock()).current;

  const present = () => {
    const known = queries.getQueryData(sessionQuery(sessionId).queryKey)?.run ?? session.run;
    // A session asked for before the last taps arrived may be answered after them.
    heard.current = instant(known.last_at) >= instant(heard.current.last_at) ? known : heard.current;
    const run = waiting.current.reduce((state, event) => step(state, event, sheet), heard.current);
    clock.saw(run.last_at);
    return run;
  };
  const [shown, setShown] = useState({ run: session.run, unsent: 0, ready: false });
  const show = () => setShown({ run: present(), unsent: waiting.current.length, ready: true });

  const exchange = async () => {
    if (busy.current) return;
    busy.current = true;
    const batch = waiting.current.slice(0, MOST_AT_ONCE);
    try {
      const run = await sendTaps(sessionId, batch, (id) => heldSheet(session, id));
      const newest = batch.at(-1);
      if (newest && run.last_at) clock.agree(newest.at, run.last_at);
      const ids = new Set(batch.map((event) => event.id));
      waiting.current = waiting.current.filter((event) => !ids.has(event.id));
      heard.current = run;
      remember(queries, sessionId, run);
      // Another device began it, by another sheet than this one has.
      if (run.begun_at && run.sheet_id !== session.sheet_id)
        await queries.refetchQueries({ queryKey: sessionQuery(sessionId).queryKey });
      show();
      setRefusal(null);
      await release(sessionId, ids, run);
      if (run.ended_at && waiting.current.length === 0) await forgetRun(sessionId);
      if (waiting.current.length > 0) setTimeout(() => latest.current.exchange());
    } catch (error) {
      if (error instanceof Problem && error.document.status > 0) setRefusal(error);
    } finally {
      busy.current = false;
    }
  };
  const latest = useRef({ exchange, show });
  latest.current = { exchange, show };

  useEffect(() => {
    let gone = false;
    const again = () => latest.current.exchange();
    keptTaps(sessionId)
      .then((events) => {
        if (!gone) waiting.current = events;
      })
      .catch(() => setKeeps(false))
      .then(() => {
        if (gone) return;
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
  useKeeping(session, Boolean(shown.run.begun_at && !shown.run.ended_at));

  const happen: Happen = (make) => {
    const happening = make(present());
    if (!happening) return;
    const event = { ...happening, id: crypto.randomUUID(), at: clock.stamp() } as RunEvent;
    waiting.current = [...waiting.current, event];
    show();
    keepTap(sessionId, event)
      .catch(() => setKeeps(false))
      .then(exchange);
  };
  return { ...shown, happen, refusal, keeps, clock };
}

function instant(at: string | null | undefined): number {
  return at ? Date.parse(at) : 0;
}

/** The run sheet of this id, as this device holds it. */
async function heldSheet(session: SessionView, id: string): Promise<RunSheet | null> {
  return session.sheet_id === id ? session.evaluation.sheet : keptSheet(session.session_id, id);
}

function remember(queries: QueryClient, sessionId: string, run: RunState) {
  const stage: SessionView["stage"] = run.ended_at ? "log" : run.begun_at ? "work" : "plan";
  queries.setQueryData(
    sessionQuery(sessionId).queryKey,
    (old) => old && { ...old, run, stage: old.stage === "logged" ? old.stage : stage },
  );
}

/** Once the session has begun, this device keeps all it asks for: a reload needs no server. */
function useKeeping(session: SessionView, under_way: boolean) {
  const queries = useQueryClient();
  const { session_id: sessionId } = session;
  useEffect(() => {
    if (!under_way) return;
    let over = false;
    Promise.all([
      queries.ensureQueryData(meQuery),
      queries.ensureQueryData(catalogueQuery),
      queries.ensureQueryData(sessionQuery(sessionId)),
      // Without it the session goes on all the same, only that nothing can be shared out anew.
      queries.ensureQueryData(tableSideQuery(sessionId)).catch(() => null),
    ])
      .then(([me, catalogue, asked, side]) => {
        // The session may have ended while all this was asked for: then nothing of it is kept any more.
        if (over) return;
        // The run has gone on while the rest was asked for.
        const session = queries.getQueryData(sessionQuery(sessionId).queryKey) ?? asked;
        return keepRun({ me, catalogue, session, side });
      })
      .catch(() => undefined);
    return () => {
      over = true;
    };
  }, [queries, sessionId, under_way]);
}
