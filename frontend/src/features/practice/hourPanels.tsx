/** The panels of the sentence about one's hours. */
import { type ReactNode, useState } from "react";
import type { Hours } from "../../api/client";
import { say, WEEKDAYS } from "../../phrases/screens/practice/hours";
import { clockTime } from "../../phrases/time";
import { Button } from "../../ui/Button";
import { MomentEntry } from "../../ui/form/MomentEntry";
import { NumberEntry } from "../../ui/form/NumberEntry";
import { Tick } from "../../ui/Tick";

function Panel({ onSave, children }: { onSave(): void; children: ReactNode }) {
  return (
    <form
      className="flex flex-wrap items-center gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        onSave();
      }}
    >
      {children}
      <Button look="main" type="submit">
        Save
      </Button>
    </form>
  );
}

export function DaysPanel({ days, onTake }: { days: Hours["days"]; onTake(days: number[]): void }) {
  const [chosen, setChosen] = useState<readonly number[]>(days ?? []);
  return (
    <Panel onSave={() => onTake(chosen.toSorted())}>
      <fieldset className="grid grid-cols-2 gap-x-6 sm:grid-cols-4">
        <legend className="font-bold">{say.workingDays}</legend>
        {WEEKDAYS.map((name, day) => (
          <Tick
            key={name}
            checked={chosen.includes(day)}
            words={name}
            onTick={(on) => setChosen(on ? [...chosen, day] : chosen.filter((other) => other !== day))}
          />
        ))}
      </fieldset>
    </Panel>
  );
}

export function TimePanel(props: { label: string; time: string | undefined; onTake(time: string): void }) {
  const [typed, setTyped] = useState(clockTime(props.time ?? ""));
  return (
    <Panel onSave={() => props.onTake(typed)}>
      <MomentEntry kind="time" label={props.label} value={typed} onType={setTyped} />
    </Panel>
  );
}

export function GapPanel({
  minutes,
  onTake,
}: {
  minutes: number | undefined;
  onTake(minutes: number): void;
}) {
  const [typed, setTyped] = useState(String(minutes));
  return (
    <Panel onSave={() => onTake(Number(typed))}>
      <NumberEntry label={say.gapMinutes} least={0} most={120} value={typed} onType={setTyped} />
    </Panel>
  );
}

export function LunchPanel({
  lunch,
  onTake,
}: {
  lunch: Hours["lunch"];
  onTake(lunch: Hours["lunch"]): void;
}) {
  const [starts, setStarts] = useState(clockTime(lunch?.starts ?? "12:30"));
  const [minutes, setMinutes] = useState(String(lunch?.minutes ?? 45));
  return (
    <Panel onSave={() => onTake({ starts, minutes: Number(minutes) })}>
      <MomentEntry kind="time" label="From" value={starts} onType={setStarts} />
      <NumberEntry label="Minutes" least={5} most={240} value={minutes} onType={setMinutes} />
      {lunch && <Button onClick={() => onTake(null)}>{say.noLunch}</Button>}
    </Panel>
  );
}
