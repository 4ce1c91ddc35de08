import { useState } from "react";
import type { ConditionPlaces, Excluded } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";

/** What somebody who walks in has and answers; `weeks` is typed, null for nobody who is pregnant. */
export interface WalkInAnswers {
  kind: string;
  minutes: number;
  conditions: readonly string[];
  places: readonly ConditionPlaces[];
  weeks: string | null;
  consents: readonly string[];
  excluded: readonly Excluded[];
  name: string;
}

/** What a part of the screen shows and changes of the answers. */
export interface AnswersPart {
  answers: WalkInAnswers;
  onChange(change: Partial<WalkInAnswers>): void;
}

/** The answers as they are given. */
export function useAnswers(kind: string) {
  const catalogue = useCatalogue();
  const [answers, setAnswers] = useState<WalkInAnswers>({
    kind,
    minutes: catalogue.usual_briefs[kind]?.booked_minutes ?? 0,
    conditions: [],
    places: [],
    weeks: null,
    consents: [],
    excluded: [],
    name: "",
  });
  const change = (changed: Partial<WalkInAnswers>) => setAnswers((before) => ({ ...before, ...changed }));
  return { answers, change };
}

/** The ids with one more, or without it. */
export function ticked(ids: readonly string[], id: string, on: boolean): string[] {
  return on ? [...ids, id] : ids.filter((other) => other !== id);
}
