import { say } from "../../../phrases/screens/plan/brief";
import { shared } from "../../../phrases/screens/shared";
/** The panels that open under the words of the brief. */

import { type FormEvent, useState } from "react";
import { useCatalogue } from "../../../api/useCatalogue";
import { BodyPlan } from "../../../meeting/BodyPlan";
import { Button } from "../../../ui/Button";

/** How darkly a region is shaded that gets more. */
const CHOSEN = 0.75;

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

/** Regions chosen on the body or in the list, which say the same. */
export function RegionsPanel(props: {
  question: string;
  /** Whether what is chosen gets more, and is shaded, or is left out, and is hatched. */
  gets: "more" | "nothing";
  chosen: readonly string[];
  blocked: readonly string[];
  /** The regions that this session could work. */
  offered: readonly string[];
  onChange(ids: string[]): void;
}) {
  const catalogue = useCatalogue();
  const toggle = (id: string) =>
    props.onChange(
      props.chosen.includes(id) ? props.chosen.filter((other) => other !== id) : [...props.chosen, id],
    );
  const free = (id: string) => props.offered.includes(id) && !props.blocked.includes(id);
  const sides = (id: string) => ["mid", "left", "right"].map((side) => [`${id} ${side}`, CHOSEN] as const);
  const more = props.gets === "more" ? props.chosen : props.blocked;
  const nothing = props.gets === "nothing" ? props.chosen : props.blocked;
  return (
    <fieldset>
      <legend className="mb-2 font-bold">{props.question}</legend>
      <div className="max-w-[26rem]">
        <BodyPlan
          catalogue={catalogue}
          shaded={Object.fromEntries(more.flatMap(sides))}
          barred={nothing}
          onPick={(spot) => free(spot.region) && toggle(spot.region)}
        />
      </div>
      <span className="mt-2 grid grid-cols-2 gap-x-4 sm:grid-cols-3">
        {Object.values(catalogue.regions)
          .filter((region) => props.offered.includes(region.id))
          .map((region, place) => (
            <label
              key={region.id}
              title={region.gloss}
              className={`flex min-h-11 items-center gap-2 ${props.blocked.includes(region.id) ? "text-quiet" : ""}`}
            >
              <input
                type="checkbox"
                data-first={place === 0 || undefined}
                className="checkbox"
                checked={props.chosen.includes(region.id)}
                disabled={props.blocked.includes(region.id)}
                onChange={() => toggle(region.id)}
              />
              {region.whole}
            </label>
          ))}
      </span>
    </fieldset>
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
