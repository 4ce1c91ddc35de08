import type { KeyboardEvent } from "react";
import type { Edit, Entry, Part, SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/plan/parts";
import { clock, span } from "../../../phrases/time";
import { transitionWord } from "../../../phrases/transitionWord";
import { capital, sided } from "../../../phrases/words";
import type { TideEditing } from "../../../tideline/hand/editing";
import { STEP } from "../../../tideline/hand/pull";
import { Button } from "../../../ui/Button";
import type { ZoneChoice } from "../table/AtTheTable";
import { changeStep, moveStep, removeStep, splitPart } from "./edits";
import { PartTools } from "./PartTools";
import { StrokePicker } from "./StrokePicker";
import { StrokeRow } from "./StrokeRow";
import { between, partSeconds, partStart, transitionWords } from "./sequence";
import { WhyPart } from "./WhyPart";
import { WhyStrokes } from "./WhyStrokes";

interface Props {
  session: SessionView;
  part: Part;
  entries: Entry[];
  /** Whether what happens before it is told by its passage. */
  opensPassage: boolean;
  open: boolean;
  /** Whether it is among several chosen ones; null while single parts are worked on. */
  ticked: boolean | null;
  onTick(): void;
  onEdit: ((edits: Edit[], words?: string) => void) | undefined;
  editing: TideEditing | undefined;
  choosing: ZoneChoice | null;
  onChooseZone(choice: ZoneChoice | null): void;
  onToggle(): void;
}

const ROLES = { open: "First contact, ", work: "", integrate: "Rest, ", close: "Close, " };

/** A part in the list: when, what, how long; opened, its strokes and all that can be done to it. */
export function PartRow(props: Props) {
  const catalogue = useCatalogue();
  const { session, part, entries, open, ticked, editing } = props;
  const region = catalogue.regions[part.region];
  const name = region ? sided(region, part.side) : part.region;
  const working = (part.role ?? "work") === "work";
  const byHand = working && (session.plan.by_hand ?? []).includes(part.region);
  const before = props.opensPassage ? [] : between(entries);
  const seconds = partSeconds(entries);

  function key(event: KeyboardEvent) {
    if (!editing || !working || event.ctrlKey || event.metaKey || event.altKey) return;
    const by = { ".": STEP, ",": -STEP }[event.key];
    const move = event.shiftKey ? { ArrowDown: 1 as const, ArrowUp: -1 as const }[event.key] : undefined;
    if (by) editing.onReshape(part.id, Math.max(STEP, seconds + by), false);
    else if (move) editing.onMove(part.id, move);
    else if (event.key === "m") editing.onMirror(part.id);
    else if (event.key === "s") editing.onSplit(part.id);
    else if (event.key === "Delete") remove(!event.shiftKey);
    else return;
    event.preventDefault();
  }
  const remove = (whole: boolean) => editing?.onRemove({ partId: part.id, region: part.region }, whole);

  return (
    <li data-row={part.id}>
      {before.length > 0 && (
        <p className="py-0.5 pl-14 text-[0.95rem] text-quiet">{transitionWords(before, catalogue)}</p>
      )}
      <div className="flex items-stretch">
        {ticked !== null && (
          <label className="grid min-h-11 min-w-11 place-items-center">
            <input
              type="checkbox"
              className="checkbox"
              aria-label={say.choose(name)}
              checked={ticked}
              onChange={props.onTick}
            />
          </label>
        )}
        <Button
          look="shape"
          aria-expanded={open}
          onClick={props.onToggle}
          onKeyDown={key}
          className="grid min-h-11 w-full grid-cols-[3rem_1fr_auto] items-baseline gap-x-2 rounded-field px-1 py-2 text-left hover:bg-base-200 aria-expanded:bg-base-200"
        >
          <span className="numbers text-right text-quiet">{clock(partStart(entries))}</span>
          <span>
            <span className="font-bold">{capital(ROLES[part.role ?? "work"] + name)}</span>
            {byHand && <span className="text-quiet">{say.setByHand}</span>}
          </span>
          <span className="numbers">{span(seconds)}</span>
        </Button>
      </div>
      {open && (
        <>
          <Strokes {...props} />
          {editing && working && (
            <PartTools part={part} name={name} seconds={seconds} editing={editing} onRemove={remove} />
          )}
          {working && <WhyPart session={session} region={part.region} />}
          {working && <WhyStrokes session={session} partId={part.id} />}
          {props.onEdit && <StrokePicker session={session} partId={part.id} onTake={props.onEdit} />}
        </>
      )}
    </li>
  );
}

function Strokes({ part, entries, onEdit, editing, choosing, onChooseZone }: Props) {
  const catalogue = useCatalogue();
  const edit = (edits: Edit[]) => edits.length > 0 && onEdit?.(edits);
  return (
    <ol className="mb-3 pl-14 pr-1 desk:mb-1 desk:pl-4" aria-label="Strokes">
      {entries.map((entry) => {
        const index = entry.step;
        const step = index == null ? undefined : part.steps[index];
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
        const place = { partId: part.id, step: index };
        const here = choosing?.partId === part.id && choosing.step === index;
        return (
          <StrokeRow
            key={`${index} ${step.stroke}`}
            entry={entry}
            step={step}
            region={part.region}
            choosingZone={here}
            onChooseZone={() => onChooseZone(here ? null : place)}
            does={
              onEdit && {
                change: (change) => edit(changeStep(part, index, change)),
                move: (by) => edit(moveStep(part, index, by)),
                remove: () => edit(removeStep(part, index)),
                split: part.role === "work" && index > 0 ? () => edit(splitPart(part, index)) : undefined,
                last: part.steps.length < 2,
                leaveOut:
                  editing && part.role === "work" ? () => editing.onLeaveStrokeOut(step.stroke) : undefined,
              }
            }
          />
        );
      })}
    </ol>
  );
}
