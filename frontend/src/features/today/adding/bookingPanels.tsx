/** The panels of the sentence that a booking is read as. */
import { useState } from "react";
import type { Brief, Picked, Proposal } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { shared } from "../../../phrases/screens/shared";
import { say } from "../../../phrases/screens/today/booking";
import { clockTime } from "../../../phrases/time";
import { capital } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { MomentEntry } from "../../../ui/form/MomentEntry";
import { NumberEntry } from "../../../ui/form/NumberEntry";

type Pick = (change: Picked) => void;

const CHOICE = "bg-base-300";

export function ClientPanel({ proposal, onPick }: { proposal: Proposal; onPick: Pick }) {
  const typed = proposal.new_name;
  return (
    <span className="grid gap-2">
      {proposal.candidates.map(({ client_id, name }) => (
        <Button key={client_id} className={CHOICE} onClick={() => onPick({ client_id, new_name: null })}>
          {name}
        </Button>
      ))}
      {typed && proposal.client && (
        <Button onClick={() => onPick({ client_id: null, new_name: typed })}>{say.addAsNew(typed)}</Button>
      )}
      {proposal.candidates.length === 0 && !(typed && proposal.client) && <span>{say.whoIsIt}</span>}
    </span>
  );
}

export function KindPanel({ kind, onPick }: { kind: string; onPick: Pick }) {
  const catalogue = useCatalogue();
  return (
    <span className="grid gap-2 sm:grid-cols-2">
      {Object.values(catalogue.kinds)
        .filter(({ offered }) => offered)
        .map(({ id, name }) => (
          <Button key={id} className={CHOICE} aria-pressed={id === kind} onClick={() => onPick({ kind: id })}>
            {capital(name)}
          </Button>
        ))}
    </span>
  );
}

export function MinutesPanel({ brief, onPick }: { brief: Brief; onPick: Pick }) {
  const catalogue = useCatalogue();
  const [typed, setTyped] = useState(String(brief.booked_minutes));
  const take = () => Number(typed) > 0 && onPick({ minutes: Number(typed) });
  return (
    <span className="grid gap-3">
      <span className="flex flex-wrap gap-2">
        {catalogue.kinds[brief.kind ?? ""]?.usual_minutes?.map((minutes) => (
          <Button
            key={minutes}
            className={CHOICE}
            aria-pressed={minutes === brief.booked_minutes}
            onClick={() => onPick({ minutes })}
          >
            {shared.min(minutes)}
          </Button>
        ))}
      </span>
      <span className="flex items-center gap-2">
        <NumberEntry
          label={say.minutesToBook}
          value={typed}
          least={10}
          most={120}
          onType={setTyped}
          onEnter={take}
        />
        <Button onClick={take}>Set</Button>
      </span>
    </span>
  );
}

export function StartPanel({ proposal, onPick }: { proposal: Proposal; onPick: Pick }) {
  const [day, setDay] = useState(proposal.start.day);
  const [at, setAt] = useState(clockTime(proposal.start.at));
  const take = () => {
    if (day && at) onPick({ start: { day, at } });
  };
  return (
    <span className="grid gap-3">
      {proposal.free.length > 0 && <b>{say.nextFree}</b>}
      <span className="flex flex-wrap gap-2">
        {proposal.free.map((start) => (
          <Button key={start.day + start.at} className={CHOICE} onClick={() => onPick({ start })}>
            {say.start(start)}
          </Button>
        ))}
      </span>
      <span className="flex flex-wrap items-center gap-2">
        <DayAndTime day={day} at={at} onDay={setDay} onAt={setAt} onEnter={take} />
        <Button onClick={take}>Set</Button>
      </span>
    </span>
  );
}

/** A day and a time, typed. */
export function DayAndTime(props: {
  day: string;
  at: string;
  onDay(day: string): void;
  onAt(at: string): void;
  onEnter?: () => void;
}) {
  const { day, at, onDay, onAt, onEnter } = props;
  return (
    <>
      <MomentEntry kind="date" label={say.anotherDay} value={day} onType={onDay} onEnter={onEnter} />
      <MomentEntry kind="time" label={say.anotherTime} value={at} onType={onAt} onEnter={onEnter} />
    </>
  );
}
