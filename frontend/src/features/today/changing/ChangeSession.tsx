import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { kindsOf, type Move, type SessionOnDay } from "../../../api/client";
import { moveTrialQuery } from "../../../api/dayQueries";
import { peopleQuery } from "../../../api/practiceQueries";
import { useCatalogue } from "../../../api/useCatalogue";
import { timeAt } from "../../../lib/days";
import { whatMoved } from "../../../phrases/plan/difference";
import { say } from "../../../phrases/screens/today/booking";
import { Button } from "../../../ui/Button";
import { NumberEntry } from "../../../ui/form/NumberEntry";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Tick } from "../../../ui/Tick";
import { DayAndTime } from "../adding/bookingPanels";
import { Clashes } from "../Clashes";
import type { Done } from "../done";
import { AttendanceAsked } from "./AttendanceAsked";
import { RepeatSession } from "./RepeatSession";
import { store, takeBack, wordsOf } from "./useMoving";

interface Props {
  session: SessionOnDay;
  day: string;
  onDone(done: Done): void;
}

/** What can be changed of a session that is booked: when, how long, who works it; whether they come; how often. */
export function ChangeSession({ session, day, onDone }: Props) {
  return (
    <span className="grid gap-4">
      {session.stage === "plan" && <MoveSession session={session} day={day} onDone={onDone} />}
      <AttendanceAsked session={session} onDone={onDone} />
      {session.stage === "plan" && !session.repeats && <RepeatSession session={session} onDone={onDone} />}
    </span>
  );
}

function MoveSession({ session, day, onDone }: Props) {
  const queries = useQueryClient();
  const catalogue = useCatalogue();
  const members = useQuery(peopleQuery).data?.members ?? [];
  const before = { at: timeAt(session.span.begins), minutes: session.brief.booked_minutes };
  const [on, setOn] = useState(day);
  const [at, setAt] = useState(before.at);
  const [minutes, setMinutes] = useState(String(before.minutes));
  const [person, setPerson] = useState(session.person_id);
  const [later, setLater] = useState(false);
  const move: Move = {
    ...(on !== day || at !== before.at ? { start: { day: on, at } } : {}),
    ...(Number(minutes) !== before.minutes ? { minutes: Number(minutes) } : {}),
    ...(person !== session.person_id ? { person_id: person } : {}),
    later_too: later,
  };
  const changes = Boolean(move.start || move.minutes || move.person_id) && on !== "" && at !== "";
  const trial = useQuery({ ...moveTrialQuery(session.session_id, move), enabled: changes });
  const clashes = trial.data?.clashes ?? [];
  const storing = useMutation({
    mutationFn: () => store(session.session_id, session.revision, { ...move, accepted: kindsOf(clashes) }),
    onSuccess: (view) =>
      onDone({ words: wordsOf(session, move, day), undo: () => takeBack(view, session, move, day) }),
    onSettled: () => queries.invalidateQueries({ queryKey: ["day"] }),
  });
  const gives = trial.data?.difference
    ? whatMoved(trial.data.difference, (id) => catalogue.regions[id]?.whole ?? id)
    : "";
  return (
    <fieldset className="grid gap-2">
      <legend className="font-bold">{say.moveTo}</legend>
      <span className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <DayAndTime day={on} at={at} onDay={setOn} onAt={setAt} />
        <NumberEntry label={say.minutesToBook} value={minutes} least={10} most={120} onType={setMinutes} />
        {members.length > 1 && (
          <label className="flex items-center gap-2">
            {say.therapist}
            <select
              className="select min-h-11 w-auto"
              value={person}
              onChange={(event) => setPerson(event.target.value)}
            >
              {members.map(({ person_id, name }) => (
                <option key={person_id} value={person_id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        )}
      </span>
      {session.repeats && <Tick checked={later} words={say.laterToo} onTick={setLater} />}
      {changes && (
        <span role="status">
          {trial.isPending ? `${say.looking} …` : trial.data && clashes.length === 0 ? say.itFits : ""}
          {gives && ` ${say.givesWay(gives)}`}
        </span>
      )}
      {clashes.length > 0 && <Clashes clashes={clashes} />}
      {trial.error && <ProblemNote error={trial.error} />}
      {storing.error && <ProblemNote error={storing.error} />}
      <Button
        look="main"
        className="justify-self-start"
        disabled={!changes || !trial.data || storing.isPending}
        onClick={() => storing.mutate()}
      >
        {clashes.length > 0 ? say.saveAnyway : say.keepChange}
      </Button>
    </fieldset>
  );
}
