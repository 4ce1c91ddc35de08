import { type FormEvent, useState } from "react";
import { type Brief, type Catalogue, Problem } from "../../api/client";
import { listed } from "../../lib/words";
import { OpenWord } from "../../ui/OpenWord";

interface Props {
  brief: Brief;
  catalogue: Catalogue;
  /** Which way up the planned flow begins: `prone first`. */
  wayUp: string;
  problem: unknown;
  /** A session that has begun: the words no longer open. */
  fixed: boolean;
  onChange(patch: Partial<Brief>): void;
}

const PRESSURES = {
  light: "Light: the middle of the arc at depth 2 of 5",
  medium: "Medium: depth 3 of 5",
  firm: "Firm: depth 4 of 5",
} as const;

/** The brief as one sentence whose words open in place. */
export function BriefSentence({ brief, catalogue, wayUp, problem, fixed, onChange }: Props) {
  const fault = (field: string) => (problem instanceof Problem ? problem.forField(field) : undefined);
  const names = (ids: readonly string[]) => listed(ids.map((id) => catalogue.regions[id]?.whole ?? id));
  const word = (about: string, field: string, text: string, panel: (close: () => void) => React.ReactNode) =>
    fixed ? (
      <span>{text}</span>
    ) : (
      <OpenWord
        about={about}
        faulty={Boolean(fault(field))}
        panel={(close) => (
          <>
            {panel(close)}
            <FieldFault fault={fault(field)} />
          </>
        )}
      >
        {text}
      </OpenWord>
    );
  const focus = brief.focus ?? [];
  const leaveOut = brief.leave_out ?? [];
  return (
    <p className="max-w-[62ch] font-serif text-[1.6rem] leading-relaxed">
      {word("Booked minutes", "booked_minutes", `${brief.booked_minutes} minutes`, (close) => (
        <MinutesPanel
          minutes={brief.booked_minutes}
          usual={catalogue.kinds[brief.kind ?? ""]?.usual_minutes ?? []}
          onChoose={(booked_minutes) => onChange({ booked_minutes })}
          onDone={close}
        />
      ))}
      , {catalogue.kinds[brief.kind ?? ""]?.name}, {wayUp}, with{" "}
      {word("Focus", "focus", focus.length ? `more ${names(focus)}` : "no part above the others", () => (
        <RegionsPanel
          question="Where does the client want more?"
          chosen={focus}
          blocked={leaveOut}
          catalogue={catalogue}
          onChange={(ids) => onChange({ focus: ids })}
        />
      ))}
      , leaving out{" "}
      {word("Leave out", "leave_out", leaveOut.length ? names(leaveOut) : "nothing", () => (
        <RegionsPanel
          question="What is not to be worked today?"
          chosen={leaveOut}
          blocked={focus}
          catalogue={catalogue}
          onChange={(ids) => onChange({ leave_out: ids })}
        />
      ))}
      , at{" "}
      {word("Pressure", "pressure", `${brief.pressure} pressure`, (close) => (
        <ChoicePanel
          question="How strong, in the middle of each region?"
          options={PRESSURES}
          chosen={brief.pressure ?? "medium"}
          onChoose={(pressure) => {
            onChange({ pressure });
            close();
          }}
        />
      ))}
      , closing{" "}
      {word("Close with", "close_with", catalogue.closings[brief.close_with ?? ""]?.name ?? "", (close) => (
        <ChoicePanel
          question="Where does the session come to rest?"
          options={Object.fromEntries(
            Object.values(catalogue.closings).map((c) => [
              c.id,
              c.name.charAt(0).toUpperCase() + c.name.slice(1),
            ]),
          )}
          chosen={brief.close_with ?? "head"}
          onChoose={(close_with) => {
            onChange({ close_with });
            close();
          }}
        />
      ))}
      .
    </p>
  );
}

function FieldFault({ fault }: { fault: { what: string; remedy: string } | undefined }) {
  if (!fault) return null;
  return (
    <span role="alert" className="mt-3 block max-w-[34ch] text-accent">
      △ {fault.what.charAt(0).toUpperCase() + fault.what.slice(1)}: {fault.remedy}.
    </span>
  );
}

function MinutesPanel(props: {
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
        <span className="mb-1 block font-bold">Booked minutes, dressing included</span>
        <span className="flex gap-2">
          <input
            data-first
            type="number"
            inputMode="numeric"
            className="input h-11 w-28 text-base"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          <button type="submit" className="btn btn-primary h-11">
            Plan
          </button>
        </span>
      </label>
      <span className="mt-3 flex flex-wrap gap-2">
        {props.usual.map((minutes) => (
          <button
            key={minutes}
            type="button"
            className={`btn h-11 ${minutes === props.minutes ? "btn-neutral" : ""}`}
            onClick={() => {
              props.onChoose(minutes);
              props.onDone();
            }}
          >
            {minutes} min
          </button>
        ))}
      </span>
    </form>
  );
}

function RegionsPanel(props: {
  question: string;
  chosen: readonly string[];
  blocked: readonly string[];
  catalogue: Catalogue;
  onChange(ids: string[]): void;
}) {
  const toggle = (id: string) =>
    props.onChange(
      props.chosen.includes(id) ? props.chosen.filter((other) => other !== id) : [...props.chosen, id],
    );
  return (
    <fieldset>
      <legend className="mb-2 font-bold">{props.question}</legend>
      <span className="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
        {Object.values(props.catalogue.regions).map((region) => (
          <label
            key={region.id}
            title={region.gloss}
            className={`flex min-h-11 items-center gap-2 ${props.blocked.includes(region.id) ? "text-quiet" : ""}`}
          >
            <input
              type="checkbox"
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

function ChoicePanel<T extends string>(props: {
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
