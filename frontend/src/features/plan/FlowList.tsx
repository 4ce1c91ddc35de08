import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import type { Catalogue, Edit, Entry, SessionView, Stop } from "../../api/client";
import { reasonsQuery } from "../../api/queries";
import { clock, span } from "../../lib/time";
import { capital, sided } from "../../lib/words";
import { whatOrderSaves } from "./reasons";
import { type StrokeChange, StrokeRow } from "./StrokeRow";
import { groupByPosition, stopSeconds, transitionWords } from "./sequence";
import { stepEdits } from "./stepEdits";
import { WhyStop } from "./WhyStop";

interface Props {
  session: SessionView;
  catalogue: Catalogue;
  selected: string | null;
  onSelect(stopId: string | null): void;
  /** Without it the list is only read. */
  onEdit: ((edits: Edit[]) => void) | undefined;
}

/** The session as a list: position, then stop, then stroke. */
export function FlowList({ session, catalogue, selected, onSelect, onEdit }: Props) {
  const { flow } = session.plan;
  const { sheet } = session.evaluation;
  const reasons = useQuery(reasonsQuery(session.session_id, session.revision));
  const saves = whatOrderSaves(reasons.data?.order ?? null);
  const entriesOf = (stop: Stop) => sheet.entries.filter((entry) => entry.stop_id === stop.id);
  return (
    <section aria-label="Sequence">
      <h2 className="text-2xl">In this order</h2>
      {saves && <p className="mt-1 text-quiet">{saves}</p>}
      {groupByPosition(flow.stops).map(({ position, stops }) => (
        <div key={position} className="mt-4">
          <h3 className="text-xl italic" title={catalogue.positions[position]?.gloss}>
            {capital(catalogue.positions[position]?.name ?? position)}
          </h3>
          <p className="text-quiet">{catalogue.positions[position]?.setup.join(" · ")}</p>
          <ol className="mt-2">
            {stops.map((stop) => (
              <StopRow
                key={stop.id}
                stop={stop}
                entries={entriesOf(stop)}
                catalogue={catalogue}
                open={stop.id === selected}
                onChange={onEdit && ((index, change) => onEdit(stepEdits(flow.stops, stop, index, change)))}
                byHand={(session.plan.by_hand ?? []).includes(stop.region) && stop.role === "work"}
                why={
                  stop.role === "work" && (
                    <WhyStop session={session} region={stop.region} catalogue={catalogue} />
                  )
                }
                onToggle={() => onSelect(stop.id === selected ? null : stop.id)}
              />
            ))}
          </ol>
        </div>
      ))}
    </section>
  );
}

function StopRow(props: {
  stop: Stop;
  entries: Entry[];
  catalogue: Catalogue;
  open: boolean;
  /** Whether its strokes were set by hand. */
  byHand: boolean;
  why: React.ReactNode;
  onChange: StrokeChange | undefined;
  onToggle(): void;
}) {
  const { stop, entries, catalogue, open } = props;
  const row = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (open) row.current?.scrollIntoView({ block: "nearest" });
  }, [open]);
  const region = catalogue.regions[stop.region];
  const name = region ? sided(region, stop.side) : stop.region;
  const role = { open: "First contact, ", work: "", integrate: "The whole: ", close: "Close, " }[
    stop.role ?? "work"
  ];
  const between = entries.filter((entry) => !entry.working && entry.kind !== "announce");
  return (
    <li ref={row} className="scroll-my-28">
      {between.length > 0 && (
        <p className="py-0.5 pl-14 text-[0.95rem] text-quiet">{transitionWords(between, catalogue)}</p>
      )}
      <button
        type="button"
        aria-expanded={open}
        onClick={props.onToggle}
        className="grid min-h-11 w-full grid-cols-[3rem_1fr_auto] items-baseline gap-x-2 rounded-field px-1 py-2 text-left hover:bg-base-200 aria-expanded:bg-base-200"
      >
        <span className="numbers text-right text-quiet">{clock(entries[0]?.start ?? 0)}</span>
        <span>
          <span className="font-bold">{capital(role + name)}</span>
          {props.byHand && <span className="text-quiet">, set by hand</span>}
        </span>
        <span className="numbers">{span(stopSeconds(entries))}</span>
      </button>
      {open && (
        <>
          {props.why}
          <Strokes entries={entries} catalogue={catalogue} onChange={props.onChange} />
        </>
      )}
    </li>
  );
}

const BETWEEN: Partial<Record<Entry["kind"], string>> = {
  oil: "warm oil in the hands",
  towel: "fetch a hot towel",
  wipe: "wipe the oil off",
  check_in: "ask about the pressure",
};

function Strokes(props: { entries: Entry[]; catalogue: Catalogue; onChange: StrokeChange | undefined }) {
  const { entries, catalogue } = props;
  return (
    <ol className="mb-3 pl-14 pr-1" aria-label="Strokes">
      {entries.map((entry) =>
        entry.kind === "stroke" ? (
          <StrokeRow key={entry.step} entry={entry} catalogue={catalogue} onChange={props.onChange} />
        ) : (
          entry.working && (
            <li key={entry.start} className="flex justify-between py-1 text-quiet italic">
              <span>{BETWEEN[entry.kind]}</span>
              <span className="numbers">{span(entry.seconds)}</span>
            </li>
          )
        ),
      )}
    </ol>
  );
}
