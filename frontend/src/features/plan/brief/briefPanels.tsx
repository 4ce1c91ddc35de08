import { say } from "../../../phrases/screens/plan/brief";
import { shared } from "../../../phrases/screens/shared";
/** The panels that open under the words of the brief. */

import { type FormEvent, useState } from "react";
import { Button } from "../../../ui/Button";

export function FieldFault({ fault }: { fault: { what: string; remedy: string } | undefined }) {
  if (!fault) return null;
  return (
    <span role="alert" className="mt-3 block max-w-[34ch] text-accent">
      △ {fault.what.charAt(0).toUpperCase() + fault.what.slice(1)}: {fault.remedy}.
    </span>
  );
}

export function MinutesPanel(props: {
  minutes: number;
  usual: readonly number[];
  onChoose(minutes: number): void;
  onDone(): void;
}) {
  const [typed, setTyped] = useState(String(props.minutes));
  function submit(event: FormEvent) {
    event.preventDefault();
    props.onChoose(Number(typed));
  }
  return (
    <form noValidate onSubmit={submit}>
      <label className="block">
        <span className="mb-1 block font-bold">{say.bookedMinutesDressingIncluded}</span>
        <span className="flex gap-2">
          <input
            data-first
            type="number"
            inputMode="numeric"
            className="input h-11 w-28 text-base"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          <Button look="main" type="submit" className="h-11">
            Plan
          </Button>
        </span>
      </label>
      <span className="mt-3 flex flex-wrap gap-2">
        {props.usual.map((minutes) => (
          <Button
            key={minutes}
            className={`h-11 ${minutes === props.minutes ? "btn-neutral" : ""}`}
            onClick={() => {
              props.onChoose(minutes);
              props.onDone();
            }}
          >
            {shared.min(minutes)}
          </Button>
        ))}
      </span>
    </form>
  );
}

export function ChoicePanel<T extends string>(props: {
  question: string;
  options: Record<T, string>;
  chosen: string;
  onChoose(option: T): void;
}) {
  return (
    <fieldset>
      <legend className="mb-2 font-bold">{props.question}</legend>
      {(Object.entries(props.options) as [T, string][]).map(([option, words]) => (
        <label key={option} className="flex min-h-11 items-center gap-3">
          <input
            type="radio"
            className="radio"
            name={props.question}
            checked={option === props.chosen}
            onChange={() => props.onChoose(option)}
          />
          {words}
        </label>
      ))}
    </fieldset>
  );
}
