import type { Catalogue, Entry } from "../../api/client";
import { span } from "../../lib/time";
import { capital, depthWord, spoken } from "../../lib/words";

export type StrokeChange = (
  step: number,
  change: { passes?: number; depth?: Entry["depth"]; tool?: string },
) => void;

interface Props {
  entry: Entry;
  catalogue: Catalogue;
  /** Without it the stroke is only read. */
  onChange: StrokeChange | undefined;
}

const MOST_PASSES = 60;

/** A stroke of an opened stop: what, how long, with what, how deep, how often. */
export function StrokeRow({ entry, catalogue, onChange }: Props) {
  const stroke = catalogue.strokes[entry.stroke ?? ""];
  return (
    <li className="border-t border-base-300 py-2">
      <p className="flex flex-wrap justify-between gap-x-4">
        <span>
          <span className="font-bold" title={stroke?.gloss}>
            {stroke?.name}
          </span>
          {entry.zone && `, ${spoken(entry.zone)}`}
        </span>
        <span className="numbers">{span(entry.seconds)}</span>
      </p>
      {onChange ? (
        <Changing entry={entry} catalogue={catalogue} onChange={onChange} />
      ) : (
        <p className="text-quiet">
          {catalogue.tools[entry.tool ?? ""]?.name} · depth {entry.depth}, {depthWord[entry.depth ?? 1]} ·{" "}
          {entry.passes} {unitOf(entry, catalogue)}
        </p>
      )}
      <p>{stroke?.how}</p>
    </li>
  );
}

function unitOf(entry: Entry, catalogue: Catalogue): string {
  const one = entry.passes === 1;
  if (catalogue.strokes[entry.stroke ?? ""]?.pass.kind === "breaths") return one ? "breath" : "breaths";
  return one ? "pass" : "passes";
}

function Changing({
  entry,
  catalogue,
  onChange,
}: Required<Pick<Props, "entry" | "catalogue">> & { onChange: StrokeChange }) {
  const stroke = catalogue.strokes[entry.stroke ?? ""];
  if (!stroke || entry.step == null) return null;
  const step = entry.step;
  const passes = entry.passes ?? 1;
  const [shallowest, deepest] = stroke.depth;
  const depths = Array.from({ length: deepest - shallowest + 1 }, (_, i) => shallowest + i);
  return (
    <div className="my-1 flex flex-wrap items-center gap-x-4 gap-y-1">
      <fieldset className="flex items-center gap-1" aria-label={`How often, ${stroke.name}`}>
        <button
          type="button"
          className="btn btn-square"
          aria-label={`One fewer: ${stroke.name}`}
          disabled={passes <= 1}
          onClick={() => onChange(step, { passes: passes - 1 })}
        >
          −
        </button>
        <span className="numbers min-w-[5.5rem] text-center">
          {passes} {unitOf(entry, catalogue)}
        </span>
        <button
          type="button"
          className="btn btn-square"
          aria-label={`One more: ${stroke.name}`}
          disabled={passes >= MOST_PASSES}
          onClick={() => onChange(step, { passes: passes + 1 })}
        >
          +
        </button>
      </fieldset>
      <label className="flex items-center gap-2">
        <span className="text-quiet">depth</span>
        <select
          className="select w-auto"
          aria-label={`Depth, ${stroke.name}`}
          value={entry.depth ?? shallowest}
          onChange={(event) => onChange(step, { depth: Number(event.target.value) as Entry["depth"] })}
        >
          {depths.map((depth) => (
            <option key={depth} value={depth}>
              {depth}, {depthWord[depth]}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-2">
        <span className="text-quiet">with</span>
        <select
          className="select w-auto"
          aria-label={`Tool, ${stroke.name}`}
          value={entry.tool ?? ""}
          onChange={(event) => onChange(step, { tool: event.target.value })}
        >
          {stroke.tools.map((tool) => (
            <option key={tool} value={tool}>
              {capital(catalogue.tools[tool]?.name ?? tool)}
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}
