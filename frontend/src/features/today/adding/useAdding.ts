import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import {
  api,
  type Booking,
  body,
  kindsOf,
  type LocalStart,
  type Picked,
  type Repeat,
  type SessionView,
} from "../../../api/client";
import { bookingTrialQuery, readingQuery } from "../../../api/dayQueries";
import { flowsQuery } from "../../../api/queries";
import { say } from "../../../phrases/screens/today/booking";
import { useSettled } from "../../../ui/useSettled";
import type { Done } from "../done";

/** Milliseconds after the last letter before a line is read. */
const LISTENS = 180;

/** Whom to book, when and from which flow, where one comes from a client or a flow. */
export interface AddingFrom {
  day?: string;
  client?: string;
  at?: string;
  flow?: string;
}

/** A booking while it is typed and picked: as it is read, tried with its plan, and stored. */
export function useAdding(from: AddingFrom, onBooked: (done: Done, start: LocalStart) => void) {
  const queries = useQueryClient();
  const [typed, setTyped] = useState("");
  const [chosen, setChosen] = useState<Picked>(() => pickedFrom(from));
  const [repeat, setRepeat] = useState<Repeat | null>(null);
  const [eager, setEager] = useState(false);
  // One booking, however often it is sent.
  const [sessionId, setSessionId] = useState(() => crypto.randomUUID());
  const flow = useQuery({ ...flowsQuery, enabled: from.flow !== undefined }).data?.find(
    ({ flow_id }) => flow_id === from.flow,
  );
  const picked: Picked = flow
    ? { kind: flow.brief.kind ?? null, minutes: flow.brief.booked_minutes, ...chosen }
    : chosen;
  const settled = useSettled(typed, LISTENS);
  // An emptied line is empty at once: what lay under it does not move a moment later.
  const begun = (typed.trim() !== "" && settled.trim() !== "") || Object.keys(picked).length > 0;
  const reading = useQuery({ ...readingQuery(settled, picked), enabled: begun });
  const proposal = begun ? reading.data : undefined;
  const fresh = settled === typed && !reading.isFetching;
  const booking: Booking | null = proposal?.ready
    ? {
        session_id: sessionId,
        ...(proposal.client ? { client_id: proposal.client.client_id } : { new_name: proposal.new_name }),
        kind: proposal.brief.kind ?? null,
        minutes: proposal.brief.booked_minutes,
        start: proposal.start,
        ...(flow ? { flow_id: flow.flow_id } : {}),
        repeat,
      }
    : null;
  const trial = useQuery({ ...bookingTrialQuery(booking as Booking), enabled: booking !== null && fresh });
  const clashes = trial.data?.clashes ?? proposal?.clashes ?? [];
  const storing = useMutation({
    mutationFn: (wanted: Booking) =>
      body<SessionView>(api.POST("/api/bookings", { body: { accepted: [], ...wanted } })),
    onSuccess: (view, wanted) => {
      onBooked(
        {
          words: say.booked(view.client.name, wanted.start),
          sessionId: view.session_id,
          undo: () =>
            api.DELETE("/api/sessions/{session_id}/booking", {
              params: { path: { session_id: view.session_id } },
            }),
        },
        wanted.start,
      );
      clear();
    },
    onSettled: () => queries.invalidateQueries({ queryKey: ["day"] }),
  });
  const ready = booking !== null && fresh && trial.data !== undefined && !storing.isPending;
  function book() {
    setEager(false);
    if (booking && ready) storing.mutate({ ...booking, accepted: kindsOf(clashes) });
  }
  const bookNow = useRef(book);
  useEffect(() => {
    bookNow.current = book;
  });
  // Enter counts also where it comes before the plan is made, unless something turns out not to fit.
  useEffect(() => {
    if (!eager || !ready) return;
    if (clashes.length === 0) bookNow.current();
    else setEager(false);
  }, [eager, ready, clashes.length]);
  function clear() {
    setTyped("");
    setChosen({});
    setRepeat(null);
    setSessionId(crypto.randomUUID());
    storing.reset();
  }
  return {
    typed,
    /** What is typed last counts: what was picked before is forgotten. */
    type(line: string) {
      setTyped(line);
      setEager(false);
      setChosen(pickedFrom(from));
    },
    pick: (change: Picked) => setChosen({ ...chosen, ...change }),
    repeat,
    setRepeat,
    flow,
    reading,
    proposal,
    trial,
    clashes,
    bookable: booking !== null,
    ready,
    storing,
    send: () => (ready ? book() : setEager(true)),
    clear,
  };
}

/** What was picked elsewhere. */
function pickedFrom({ client, day, at }: AddingFrom): Picked {
  return {
    ...(client ? { client_id: client } : {}),
    ...(day && at ? { start: { day, at } } : {}),
  };
}
