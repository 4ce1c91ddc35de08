import type { KeyboardEvent } from "react";
import type { Catalogue, Edit, Entry, SessionView, Stop } from "../../api/client";
import { clock, span } from "../../lib/time";
import { capital, sided } from "../../lib/words";
import { STEP } from "../../tideline/pull";
import type { TideEditing } from "../../tideline/TideLine";
import { transitionWord } from "../../tideline/transitionWord";
import type { ZoneChoice } from "./AtTheTable";
import { changeStep, moveStep, removeStep, splitStop } from "./edits";
import { StopTools } from "./StopTools";
import { StrokePicker } from "./StrokePicker";
import { StrokeRow } from "./StrokeRow";
import { stopSeconds, transitionWords } from "./sequence";
import { WhyStop } from "./WhyStop";

interface Props {
  session: SessionView;
  stop: Stop;
  entries: Entry[];
  catalogue: Catalogue;
  open: boolean;
  /** Whether it is among several chosen ones; null while single stops are worked on. */
  ticked: boolean | null;
  onTick(): void;
  onEdit: ((edits: Edit[], words?: string) => void) | undefined;
  editing: TideEditing | undefined;
  choosing: ZoneChoice | null;
  onChooseZone(choice: ZoneChoice | null): void;
  onToggle(): void;
}

const ROLES = { open: "First contact, ", work: "", integrate: "The whole: ", close: "Close, " };

/** A stop in the list: when, what, how long; opened, its strokes and all that can be done to it. */
export function StopRow(props: Props) {
  const { session, stop, entries, catalogue, open, ticked, editing } = props;
  const region = catalogue.regions[stop.region];
  const name = region ? sided(region, stop.side) : stop.region;
  const working = (stop.role ?? "work") === "work";
  const byHand = working && (session.plan.by_hand ?? []).includes(stop.region);
  const between = entries.filter((entry) => !entry.working && entry.kind !== "announce");
  const seconds = stopSeconds(entries);

  function key(event: KeyboardEvent) {
    if (!editing || !working || event.ctrlKey || event.metaKey || event.altKey) return;
    const by = { ".": STEP, ",": -STEP }[event.key];
    const move = event.shiftKey ? { ArrowDown: 1 as const, ArrowUp: -1 as const }[event.key] : undefined;
    if (by) editing.onReshape(stop.id, Math.max(STEP, seconds + by), false);
    else if (move) editing.onMove(stop.id, move);
    else if (event.key === "m") editing.onMirror(stop.id);
    else if (event.key === "s") editing.onSplit(stop.id);
    else if (event.key === "Delete") remove(!event.shiftKey);
    else return;
    event.preventDefault();
  }
  const remove = (whole: boolean) => editing?.onRemove({ stopId: stop.id, region: stop.region }, whole);

  return (
    <li>
      {between.length > 0 && (
        <p className="py-0.5 pl-14 text-[0.95rem] text-quiet">{transitionWords(between, catalogue)}</p>
      )}
      <div className="flex items-stretch">
        {ticked !== null && (
          <label className="grid min-h-11 min-w-11 place-items-center">
            <input
              type="checkbox"
              className="checkbox"
              aria-label={`Choose ${name}`}
              checked={ticked}
              onChange={props.onTick}
            />
          </label>
        )}
        <button
          type="button"
          aria-expanded={open}
          onClick={props.onToggle}
          onKeyDown={key}
          className="grid min-h-11 w-full grid-cols-[3rem_1fr_auto] items-baseline gap-x-2 rounded-field px-1 py-2 text-left hover:bg-base-200 aria-expanded:bg-base-200"
        >
          <span className="numbers text-right text-quiet">{clock(entries[0]?.start ?? 0)}</span>
          <span>
            <span className="font-bold">{capital(ROLES[stop.role ?? "work"] + name)}</span>
            {byHand && <span className="text-quiet">, set by hand</span>}
          </span>
          <span className="numbers">{span(seconds)}</span>
        </button>
      </div>
      {open && (
        <>
          {editing && working && (
            <StopTools stop={stop} name={name} seconds={seconds} editing={editing} onRemove={remove} />
          )}
          {working && <WhyStop session={session} region={stop.region} catalogue={catalogue} />}
          <Strokes {...props} />
          {props.onEdit && (
            <StrokePicker session={session} stopId={stop.id} catalogue={catalogue} onTake={props.onEdit} />
          )}
        </>
      )}
    </li>
  );
}

function Strokes({ session, stop, entries, catalogue, onEdit, choosing, onChooseZone }: Props) {
  const { stops } = session.plan.flow;
  const edit = (edits: Edit[]) => edits.length > 0 && onEdit?.(edits);
  return (
    <ol className="mb-3 pl-14 pr-1" aria-label="Strokes">
      {entries.map((entry) => {
        const index = entry.step;
        const step = index == null ? undefined : stop.steps[index];
        if (entry.kind !== "stroke")
          return (
            entry.working && (
              <li key={entry.start} className="flex justify-between py-1 text-quiet italic">
                <span>{transitionWord(entry, catalogue)}</span>
                <span className="numbers">{span(entry.seconds)}</span>
              </li>
            )
          );
        if (index == null || !step) return null;
        const place = { stopId: stop.id, step: index };
        const here = choosing?.stopId === stop.id && choosing.step === index;
        return (
          <StrokeRow
            key={`${index} ${step.stroke}`}
            entry={entry}
            step={step}
            region={stop.region}
            catalogue={catalogue}
            choosingZone={here}
            onChooseZone={() => onChooseZone(here ? null : place)}
            does={
              onEdit && {
                change: (change) => edit(changeStep(stops, stop, index, change)),
                move: (by) => edit(moveStep(stops, stop, index, by)),
                remove: () => edit(removeStep(stops, stop, index)),
                split:
                  stop.role === "work" && index > 0 ? () => edit(splitStop(stops, stop, index)) : undefined,
                last: stop.steps.length < 2,
              }
            }
          />
        );
      })}
    </ol>
  );
}
