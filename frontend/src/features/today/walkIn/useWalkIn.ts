import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { useState } from "react";
import {
  api,
  body,
  type Clash,
  clashesOf,
  kindsOf,
  type SessionView,
  type WalkIn,
  type WalkInQuestions,
} from "../../../api/client";
import type { WalkInAnswers } from "./useAnswers";

/** Begins a session for somebody who is there now: planned, and straight to the table. What clashes is said first. */
export function useWalkIn() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  // One session, however often it is sent.
  const [sessionId] = useState(() => crypto.randomUUID());
  const [clashes, setClashes] = useState<readonly Clash[]>([]);
  const beginning = useMutation({
    mutationFn: async (told: Omit<WalkIn, "session_id" | "accepted">) => {
      const walkIn: WalkIn = { ...told, session_id: sessionId, accepted: kindsOf(clashes) };
      return body<SessionView>(api.POST("/api/walk-ins", { body: walkIn }));
    },
    onSuccess: (view) => {
      queries.invalidateQueries({ queryKey: ["day"] });
      navigate({ to: "/session/$sessionId/work", params: { sessionId: view.session_id } });
    },
    onError: (error) => setClashes(clashesOf(error)),
  });
  return {
    begin: (answers: WalkInAnswers, asked: WalkInQuestions) => beginning.mutate(told(answers, asked)),
    busy: beginning.isPending,
    error: clashes.length > 0 ? null : beginning.error,
    clashes,
  };
}

/** The answers as they are sent: what was asked and not ticked is a no. */
function told(answers: WalkInAnswers, asked: WalkInQuestions): Omit<WalkIn, "session_id" | "accepted"> {
  const { kind, minutes, conditions, places, weeks, consents, excluded, name } = answers;
  return {
    name: name.trim(),
    kind,
    minutes,
    ...(weeks === null ? {} : { weeks: Number(weeks) }),
    consents: [...consents],
    declined: asked.consents.filter((id) => !consents.includes(id)),
    answer: {
      note: "",
      conditions: [...conditions],
      condition_places: places.filter(({ condition }) => conditions.includes(condition)),
      excluded: [...excluded],
    },
  };
}
