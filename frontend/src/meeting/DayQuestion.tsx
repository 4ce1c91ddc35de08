import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, body, type DayAnswer, type Excluded, type Headache, type SessionView } from "../api/client";
import { useCatalogue } from "../api/useCatalogue";
import { say } from "../phrases/screens/meeting";
import { shared } from "../phrases/screens/shared";
import { capital, placeName } from "../phrases/words";
import { Button } from "../ui/Button";
import { Tick } from "../ui/Tick";
import { useSettled } from "../ui/useSettled";
import { ConditionChoice } from "./ConditionChoice";
import { HeadacheAsked, isAnswered } from "./HeadacheAsked";
import { type ChosenPlace, PlaceChoice } from "./PlaceChoice";
import { placeKey } from "./places";
import { liesOnTheSide, unplacedOf } from "./unplaced";
import { WhereAreThey } from "./WhereAreThey";

interface Props {
  session: SessionView;
  busy: boolean;
  /** What the button says with nothing new, and with something. */
  words: readonly [string, string];
  large?: boolean;
  onAnswer(answer: DayAnswer, lasting: boolean): void;
}

const LISTENS = 350;

/** "Anything new, anything or anywhere to keep away from today?", and what of the answer the plan must obey. */
export function DayQuestion({ session, busy, words, large, onAnswer }: Props) {
  const catalogue = useCatalogue();
  const answered = session.day_answer;
  const [note, setNote] = useState(answered?.note ?? "");
  const [conditions, setConditions] = useState(answered?.conditions ?? []);
  const [chosen, setChosen] = useState<Excluded[]>(answered?.excluded ?? []);
  const [told, setTold] = useState(answered?.condition_places ?? []);
  // What is on record and has no place yet is asked with the question, and stays until it is sent.
  const [unplaced] = useState(() => unplacedOf(session.evaluation.restrictions));
  const forHeadache = catalogue.schools[session.plan.flow.brief.school ?? ""]?.asks_headache;
  const [headache, setHeadache] = useState<Partial<Headache> | null>(
    answered?.headache ?? (forHeadache ? {} : null),
  );
  const asking = headache !== null && !isAnswered(headache);
  const [refused, setRefused] = useState<string[]>([]);
  const [place, setPlace] = useState<ChosenPlace | null>(null);
  const [lasting, setLasting] = useState(false);
  const { heard, listening } = useHeard(session.session_id, note);
  const known = new Set(chosen.map((one) => placeKey(one, catalogue)));
  const offered = heard.filter((one) => !known.has(placeKey(one, catalogue)));
  const taken = offered.filter((one) => !refused.includes(placeKey(one, catalogue)));
  // What is chosen and not yet added counts as well: nothing that was pointed at is lost.
  const pending = place && !known.has(placeKey(place, catalogue)) ? [place] : [];
  const because = note.trim().slice(0, 120);
  const excluded = [...chosen, ...[...taken, ...pending].map((one) => ({ ...one, because }))];
  const anything =
    note.trim() !== "" || headache !== null || conditions.length + excluded.length + told.length > 0;
  const somewhere = [...new Set([...unplaced, ...conditions])].filter(
    (id) => catalogue.conditions[id]?.needs_place,
  );
  function send(event: FormEvent) {
    event.preventDefault();
    const condition_places = told.filter(({ condition }) => somewhere.includes(condition));
    const asked = headache && isAnswered(headache) ? headache : null;
    onAnswer(
      { note: note.trim(), conditions, condition_places, excluded, headache: asked },
      anything && lasting,
    );
  }
  return (
    <form onSubmit={send} aria-label={say.questionOfDay} className="grid gap-4">
      <label className="block">
        <span className={`mb-2 block ${large ? "text-2xl" : "text-lg"}`}>{say.askWhatIsNew}</span>
        <textarea
          className={`textarea w-full ${large ? "min-h-28 text-xl" : ""}`}
          rows={2}
          maxLength={400}
          value={note}
          onChange={(event) => setNote(event.target.value)}
          placeholder={say.leaveEmpty}
        />
      </label>
      {(chosen.length > 0 || offered.length > 0) && (
        <fieldset>
          <legend className="font-bold">{say.keepOffToday}</legend>
          {chosen.map((one) => (
            <Tick
              key={placeKey(one, catalogue)}
              checked
              words={capital(placeName(one, catalogue))}
              onTick={() => setChosen(chosen.filter((other) => other !== one))}
            />
          ))}
          {offered.map((one) => (
            <Tick
              key={placeKey(one, catalogue)}
              checked={taken.includes(one)}
              words={capital(placeName(one, catalogue))}
              onTick={(on) => {
                const key = placeKey(one, catalogue);
                setRefused(on ? refused.filter((other) => other !== key) : [...refused, key]);
              }}
            />
          ))}
        </fieldset>
      )}
      {conditions.length > 0 && (
        <fieldset>
          <legend className="font-bold">{say.conditionsToday}</legend>
          {conditions.map((id) => (
            <Tick
              key={id}
              checked
              words={`${capital(catalogue.conditions[id]?.name ?? id)}: ${catalogue.conditions[id]?.says ?? ""}`}
              onTick={() => setConditions(conditions.filter((other) => other !== id))}
            />
          ))}
        </fieldset>
      )}
      <WhereAreThey
        catalogue={catalogue}
        conditions={somewhere}
        told={told}
        onTheSide={liesOnTheSide(session.evaluation.restrictions)}
        onTell={setTold}
      />
      {headache && (
        <HeadacheAsked
          sessionId={session.session_id}
          answers={headache}
          onAnswer={setHeadache}
          onRemove={() => setHeadache(null)}
        />
      )}
      <div className="flex flex-wrap items-start gap-2">
        <PlaceChoice label={say.placeToKeepOffToday} place={place} catalogue={catalogue} onPlace={setPlace} />
        {place && (
          <Button
            onClick={() => {
              setChosen([...chosen, ...pending.map((one) => ({ ...one, because }))]);
              setPlace(null);
            }}
          >
            {shared.keepOffIt}
          </Button>
        )}
        <div className="min-w-64 flex-1">
          <ConditionChoice
            label={say.addConditionToday}
            chosen={conditions}
            today
            {...(headache ? {} : { onHeadache: () => setHeadache({}) })}
            onChoose={(id) => setConditions([...conditions, id])}
          />
        </div>
      </div>
      {conditions.length + excluded.length > 0 && (
        <Tick checked={lasting} words={say.keepForNextTimes} onTick={(on) => setLasting(on)} />
      )}
      <Button
        look="main"
        type="submit"
        disabled={busy || listening || asking}
        className={`justify-self-start ${large ? "h-20 w-full text-2xl" : "min-h-11"}`}
      >
        {busy ? say.intoPlan : anything ? words[1] : words[0]}
      </Button>
    </form>
  );
}

/** The places that the note names, as the server hears them, a moment after the last letter. */
function useHeard(sessionId: string, note: string): { heard: Excluded[]; listening: boolean } {
  const settled = useSettled(note, LISTENS);
  const heard = useQuery({
    queryKey: ["heard", sessionId, settled],
    queryFn: () =>
      body<Excluded[]>(
        api.POST("/api/sessions/{session_id}/heard", {
          params: { path: { session_id: sessionId } },
          body: { note: settled },
        }),
      ),
    enabled: settled.trim().length > 2,
    staleTime: Number.POSITIVE_INFINITY,
  });
  return {
    heard: settled.trim().length > 2 ? (heard.data ?? []) : [],
    // What is not heard yet would not be in the plan.
    listening: note !== settled || heard.isFetching,
  };
}
