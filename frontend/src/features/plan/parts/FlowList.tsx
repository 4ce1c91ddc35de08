import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import type { Edit, Entry, Part, SessionView } from "../../../api/client";
import { reasonsQuery } from "../../../api/queries";
import { useCatalogue } from "../../../api/useCatalogue";
import { whatOrderSaves } from "../../../phrases/plan/reasons";
import { say } from "../../../phrases/screens/plan/parts";
import { capital } from "../../../phrases/words";
import type { TideEditing } from "../../../tideline/hand/editing";
import { Button } from "../../../ui/Button";
import { useInView } from "../../../ui/screen/useInView";
import type { ZoneChoice } from "../table/AtTheTable";
import { PartRow } from "./PartRow";
import { PassageRow } from "./PassageRow";
import { SeveralBar } from "./SeveralBar";
import { between, groupByPassage, groupByPosition } from "./sequence";

interface Props {
  session: SessionView;
  selected: string | null;
  onSelect(partId: string | null): void;
  /** Without these the list is only read. */
  onEdit: ((edits: Edit[], words?: string) => void) | undefined;
  editing: TideEditing | undefined;
  choosing: ZoneChoice | null;
  onChooseZone(choice: ZoneChoice | null): void;
}

/** The session as a list: position, then part, then stroke. */
export function FlowList(props: Props) {
  const catalogue = useCatalogue();
  const { session, selected, onSelect, onEdit } = props;
  const { flow } = session.plan;
  const { sheet } = session.evaluation;
  const reasons = useQuery(reasonsQuery(session.session_id, session.revision));
  const saves = whatOrderSaves(reasons.data?.order ?? null);
  const [several, setSeveral] = useState<ReadonlySet<string> | null>(null);
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const list = useRef<HTMLElement>(null);
  useInView(list, selected);
  const entriesOf = (part: Part): Entry[] => sheet.entries.filter((entry) => entry.part_id === part.id);
  const toggle = (id: string) =>
    setSeveral((now) => {
      const next = new Set(now);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  const row = (part: Part, opensPassage: boolean) => (
    <PartRow
      key={part.id}
      session={session}
      part={part}
      entries={entriesOf(part)}
      opensPassage={opensPassage}
      open={part.id === selected}
      ticked={several && part.role === "work" ? several.has(part.id) : null}
      onTick={() => toggle(part.id)}
      onEdit={onEdit}
      editing={props.editing}
      choosing={props.choosing}
      onChooseZone={props.onChooseZone}
      onToggle={() => onSelect(part.id === selected ? null : part.id)}
    />
  );
  return (
    <section ref={list} aria-label="Sequence">
      <div className="flex flex-wrap items-baseline gap-x-6 desk:float-right">
        <h2 className="text-2xl desk:sr-only">{say.inThisOrder}</h2>
        {onEdit && (
          <Button
            look="quiet"
            aria-pressed={several !== null}
            onClick={() => setSeveral(several ? null : new Set())}
          >
            {several ? "Done choosing" : "Choose several"}
          </Button>
        )}
      </div>
      {several && onEdit && (
        <SeveralBar flow={flow} chosen={several} onEdit={onEdit} onClear={() => setSeveral(new Set())} />
      )}
      {groupByPosition(flow.parts).map(({ position, parts }) => (
        <div key={`${position} ${parts[0]?.id}`} className="mt-4 desk:mt-1">
          <h3 className="text-xl italic" title={catalogue.positions[position]?.gloss}>
            {capital(catalogue.positions[position]?.name ?? position)}
          </h3>
          <p className="text-quiet desk:text-[0.95rem]">{catalogue.positions[position]?.setup.join(" · ")}</p>
          <ol className="mt-2">
            {groupByPassage(parts, session.evaluation.passages).map(({ passage, parts }) => {
              const rows = parts.map((part, at) => row(part, passage !== null && at === 0));
              if (!passage) return rows;
              const has = parts.some(({ id }) => id === selected);
              return (
                <PassageRow
                  key={passage.id}
                  passage={passage}
                  parts={parts}
                  before={parts[0] ? between(entriesOf(parts[0])) : []}
                  byHand={parts.some(({ region }) => session.plan.by_hand?.includes(region))}
                  // While several are chosen, each must be in reach.
                  open={several !== null || has || opened.has(passage.id)}
                  onToggle={() => {
                    if (has) onSelect(null);
                    setOpened((now) => toggled(now, passage.id, has || now.has(passage.id)));
                  }}
                  editing={props.editing}
                >
                  {rows}
                </PassageRow>
              );
            })}
          </ol>
        </div>
      ))}
      {saves && <p className="mt-3 text-quiet">{saves}</p>}
    </section>
  );
}

function toggled(open: ReadonlySet<string>, id: string, isOpen: boolean): ReadonlySet<string> {
  const next = new Set(open);
  if (isOpen) next.delete(id);
  else next.add(id);
  return next;
}
