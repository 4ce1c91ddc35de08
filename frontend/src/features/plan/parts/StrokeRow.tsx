import { useState } from "react";
import type { Catalogue, Entry, Step } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/plan/parts";
import { shared } from "../../../phrases/screens/shared";
import { span } from "../../../phrases/time";
import { capital, depthWord, glideName, standWord, zoneName } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { StrokeMore } from "./StrokeMore";
import type { StrokeActions } from "./strokeActions";

interface Props {
  entry: Entry;
  step: Step;
  region: string;
  choosingZone: boolean;
  onChooseZone(): void;
  /** Without it the stroke is only read. */
  does: StrokeActions | undefined;
}

const MOST_PASSES = 60;

/** A stroke of an opened part: what, how long, with what, where, how deep, how often. */
export function StrokeRow(props: Props) {
  const catalogue = useCatalogue();
  const { entry, step, region, does } = props;
  const stroke = catalogue.strokes[step.stroke];
  return (
    <li className="border-t border-base-300 py-2">
      <p className="flex flex-wrap justify-between gap-x-4">
        <span>
          <span className="font-bold" title={stroke?.gloss}>
            {stroke?.name}
          </span>
          {entry.zone && `, ${zoneName(entry.zone, catalogue.regions[entry.region])}`}
          {step.over?.length ? `, ${glideName([region, ...step.over], catalogue)}` : ""}
        </span>
        <span className="numbers">{span(entry.seconds)}</span>
      </p>
      {does ? (
        <Changing {...props} does={does} />
      ) : (
        <p className="text-quiet">
          {catalogue.tools[step.tool]?.name} · depth {step.depth}, {depthWord[step.depth]} · {step.passes}{" "}
          {unitOf(step, catalogue)}
        </p>
      )}
      {step.cue && (
        <p className="italic">
          “{step.cue.command}” {step.cue.release && `… “${step.cue.release}”`}
        </p>
      )}
      {step.with_breath && <p className="italic">{say.pressOnOutBreath}</p>}
      {step.stand && <p>{say.standHere(standWord(step.stand, entry.position))}</p>}
      {step.note && <p>{say.note(step.note)}</p>}
      <p className="text-quiet">{stroke?.how}</p>
    </li>
  );
}

function unitOf(step: Step, catalogue: Catalogue): string {
  const one = step.passes === 1;
  if (catalogue.strokes[step.stroke]?.pass.kind === "breaths") return one ? "breath" : "breaths";
  return one ? "pass" : "passes";
}

function Changing(props: Props & { does: StrokeActions }) {
  const { step, region, does } = props;
  const catalogue = useCatalogue();
  const stroke = catalogue.strokes[step.stroke];
  if (!stroke) return null;
  const [shallowest, deepest] = stroke.depth;
  const depths = Array.from({ length: deepest - shallowest + 1 }, (_, i) => shallowest + i);
  const zones = catalogue.regions[region]?.zones ?? [];
  return (
    <div className="my-1 flex flex-wrap items-center gap-x-3 gap-y-1">
      <Passes key={step.passes} step={step} name={stroke.name} unit={unitOf(step, catalogue)} does={does} />
      <Choice
        label="depth"
        name={`Depth, ${stroke.name}`}
        value={String(step.depth)}
        options={depths.map((depth) => [String(depth), `${depth}, ${depthWord[depth]}`])}
        onChoose={(depth) => does.change({ depth: Number(depth) })}
      />
      <Choice
        label="with"
        name={`Tool, ${stroke.name}`}
        value={step.tool}
        options={stroke.tools.map((tool) => [tool, capital(catalogue.tools[tool]?.name ?? tool)])}
        onChoose={(tool) => does.change({ tool })}
      />
      <Choice
        label="where"
        name={`Zone, ${stroke.name}`}
        value={step.zone ?? ""}
        options={[
          ["", shared.allOfIt],
          ...zones.map((zone): [string, string] => [
            zone,
            capital(zoneName(zone, catalogue.regions[region])),
          ]),
        ]}
        onChoose={(zone) => does.change(zone ? { zone } : { clear: ["zone"] })}
      />
      <Button look="quiet" className="px-2" aria-pressed={props.choosingZone} onClick={props.onChooseZone}>
        {props.choosingZone ? "Done pointing" : say.pointAtIt}
      </Button>
      <More {...props} />
    </div>
  );
}

function More({ entry, step, does }: Props & { does: StrokeActions }) {
  const catalogue = useCatalogue();
  const [open, setOpen] = useState(false);
  const name = catalogue.strokes[step.stroke]?.name ?? step.stroke;
  return (
    <>
      <Button
        look="quiet"
        className="px-2"
        aria-expanded={open}
        aria-label={say.moreAbout(name)}
        onClick={() => setOpen(!open)}
      >
        More
      </Button>
      {open && <StrokeMore step={step} side={entry.side} position={entry.position} name={name} does={does} />}
    </>
  );
}

/** How often, by typing and by stepping. */
function Passes({ step, name, unit, does }: { step: Step; name: string; unit: string; does: StrokeActions }) {
  const [typed, setTyped] = useState(String(step.passes));
  const give = (passes: number) => {
    if (Number.isInteger(passes) && passes >= 1 && passes <= MOST_PASSES) {
      if (passes !== step.passes) does.change({ passes });
    } else setTyped(String(step.passes));
  };
  return (
    <fieldset className="flex items-center gap-1" aria-label={say.howOften(name)}>
      <Button
        className="btn-square"
        aria-label={`One fewer: ${name}`}
        disabled={step.passes <= 1}
        onClick={() => give(step.passes - 1)}
      >
        −
      </Button>
      <input
        className="input numbers min-h-11 w-14 px-1 text-center"
        inputMode="numeric"
        aria-label={say.passes(name)}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => event.key === "Enter" && give(Number(typed))}
        onBlur={() => give(Number(typed))}
      />
      <span className="min-w-14 text-quiet">{unit}</span>
      <Button
        className="btn-square"
        aria-label={`One more: ${name}`}
        disabled={step.passes >= MOST_PASSES}
        onClick={() => give(step.passes + 1)}
      >
        +
      </Button>
    </fieldset>
  );
}

function Choice(props: {
  label: string;
  name: string;
  value: string;
  options: [string, string][];
  onChoose(value: string): void;
}) {
  return (
    <label className="flex items-center gap-2">
      <span className="text-quiet">{props.label}</span>
      <select
        className="select w-auto"
        aria-label={props.name}
        value={props.value}
        onChange={(event) => props.onChoose(event.target.value)}
      >
        {props.options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
