import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import {
  api,
  body,
  type Clash,
  kindsOf,
  type LocalStart,
  type Move,
  type SessionOnDay,
  type SessionView,
} from "../../../api/client";
import { moveTrialQuery, tryMove, wholeMove } from "../../../api/dayQueries";
import { minuteOf, timeAt } from "../../../lib/days";
import { shared } from "../../../phrases/screens/shared";
import { say } from "../../../phrases/screens/today/booking";
import type { Done } from "../done";

/** Milliseconds after the last key before a session that is moved by keys is put down. */
const SETTLES = 900;

interface Asked {
  session: SessionOnDay;
  move: Move;
  clashes: Clash[];
}

interface Held {
  sessionId: string;
  begins: number;
  minutes: number;
}

export type Moving = ReturnType<typeof useMoving>;

/** Moving the sessions of a day: what does not go is asked about first; what was moved can be taken back. */
export function useMoving(day: string, onDone: (done: Done) => void) {
  const queries = useQueryClient();
  const [asked, setAsked] = useState<Asked | null>(null);
  const [held, setHeld] = useState<Held | null>(null);
  const [over, setOver] = useState<string | null>(null);
  const keys = useRef<{ session: SessionOnDay; timer: ReturnType<typeof setTimeout> } | null>(null);

  const storing = useMutation({
    mutationFn: ({ session, move }: Pick<Asked, "session" | "move">) =>
      store(session.session_id, session.revision, move),
    onSuccess: (view, { session, move }) => {
      setAsked(null);
      onDone({ words: wordsOf(session, move, day), undo: () => takeBack(view, session, move, day) });
    },
    onSettled: (_data, _error, { session }) => {
      setHeld(null);
      for (const key of [["day"], ["session", session.session_id]])
        queries.invalidateQueries({ queryKey: key });
    },
  });
  const trying = useMutation({
    mutationFn: ({ session, move }: Pick<Asked, "session" | "move">) =>
      queries.fetchQuery({ ...moveTrialQuery(session.session_id, move), staleTime: 0 }),
    onSuccess: ({ clashes }, { session, move }) => {
      if (clashes.length === 0) storing.mutate({ session, move });
      else setAsked({ session, move, clashes });
    },
    onError: () => setHeld(null),
  });

  function settle() {
    const was = keys.current;
    if (!was || !held) return;
    clearTimeout(was.timer);
    keys.current = null;
    const { session } = was;
    const move: Move = {};
    if (held.begins !== session.span.begins) move.start = { day, at: timeAt(held.begins) };
    if (held.minutes !== session.span.ends - session.span.begins) move.minutes = held.minutes;
    if (move.start || move.minutes) trying.mutate({ session, move });
    else setHeld(null);
  }
  const settling = useRef(settle);
  useEffect(() => {
    settling.current = settle;
  });

  return {
    held,
    over,
    asked,
    error: trying.error ?? storing.error,
    busy: trying.isPending || storing.isPending,
    point: setOver,
    settle: () => settling.current(),
    move(session: SessionOnDay, move: Move) {
      // It is seen where it is put while that is asked about.
      if (move.start?.day === day)
        setHeld({
          sessionId: session.session_id,
          begins: minuteOf(move.start.at),
          minutes: session.span.ends - session.span.begins,
        });
      trying.mutate({ session, move });
    },
    /** A session moved by keys, put down when no further key comes. */
    hold(session: SessionOnDay, begins: number, minutes: number) {
      if (keys.current) clearTimeout(keys.current.timer);
      setHeld({
        sessionId: session.session_id,
        begins: Math.max(0, Math.min(1435, begins)),
        minutes: Math.max(10, Math.min(120, minutes)),
      });
      keys.current = { session, timer: setTimeout(() => settling.current(), SETTLES) };
    },
    /** Do it, although something does not go. */
    confirm() {
      if (!asked) return;
      const accepted = kindsOf(asked.clashes);
      storing.mutate({ session: asked.session, move: { ...asked.move, accepted } });
    },
    leave() {
      setAsked(null);
      setHeld(null);
    },
  };
}

/** Store a move of a session that was read at a revision. */
export function store(sessionId: string, revision: number, move: Move): Promise<SessionView> {
  return body<SessionView>(
    api.PUT("/api/sessions/{session_id}/booking", {
      params: { path: { session_id: sessionId } },
      body: { revision, move: wholeMove(move) },
    }),
  );
}

/** What a move came to, in words. */
export function wordsOf(session: SessionOnDay, move: Move, day: string): string {
  const start: LocalStart = move.start ?? { day, at: timeAt(session.span.begins) };
  if (move.minutes && !move.start) return say.changed(session.client_name, shared.min(move.minutes));
  return say.moved(session.client_name, start, move.minutes ? shared.min(move.minutes) : "");
}

/** The session as it stood before a move: the plan steps back, and the start is what it was. */
export async function takeBack(
  view: SessionView,
  session: SessionOnDay,
  move: Move,
  day: string,
): Promise<void> {
  let { revision } = view;
  const alone = move.minutes && !move.later_too;
  if (alone) {
    const back = await body<SessionView>(
      api.POST("/api/sessions/{session_id}/undo", {
        params: { path: { session_id: session.session_id } },
        body: { revision },
      }),
    );
    revision = back.revision;
  }
  if (!move.start && !move.person_id && alone) return;
  const back: Move = {
    start: { day, at: timeAt(session.span.begins) },
    person_id: session.person_id,
    minutes: move.later_too ? session.span.ends - session.span.begins : null,
    later_too: move.later_too ?? false,
  };
  // What stood there stood there before, whatever it clashes with.
  const { clashes } = await tryMove(session.session_id, back);
  await store(session.session_id, revision, { ...back, accepted: kindsOf(clashes) });
}
