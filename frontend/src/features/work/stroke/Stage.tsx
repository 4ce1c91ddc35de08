import { type ReactNode, useRef } from "react";
import type { Entry, Extra, RunState, SessionView, StartDepth } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/work/stroke";
import { cueFor } from "../../../phrases/table/cues";
import { capital, listed, zoneName } from "../../../phrases/words";
import type { DeviceClock } from "../run/deviceClock";
import { beatsOf } from "./beats";
import { Counting } from "./Counting";

interface Props {
  session: SessionView;
  run: RunState;
  entry: Entry;
  clock: DeviceClock;
  /** How the region that was added is worked; undefined while the plan is followed. */
  extra: Extra | undefined;
  /** Whether the pressure is not known here yet, and nothing has been said of it today. */
  askEarly: boolean;
  /** Where the work on this region starts, and why. */
  start: StartDepth | undefined;
}

/** What is done now, in letters to be read from a step away. */
export function Stage({ session, run, entry, clock, extra, askEarly, start }: Props) {
  const catalogue = useCatalogue();
  const cue = cueFor(entry, catalogue);
  const since = useSince(`${run.entry} ${run.adding}`, run, clock);
  const step = session.plan.flow.parts[entry.part]?.steps[entry.step ?? -1];
  const beats = run.adding ? null : beatsOf(entry, catalogue, step?.cue);
  if (run.adding) return <AddedStage entry={entry} extra={extra} place={cue.place} />;
  return (
    <>
      <Place>{cue.place}</Place>
      <Name>{cue.name}</Name>
      <p className="text-[clamp(1.25rem,min(2.5vw,8cqh),2.4rem)]">
        {cue.detail}
        {askEarly && <span className="text-accent"> {say.askEarlyHere}</span>}
      </p>
      {cue.asks && <Asks>{cue.asks}</Asks>}
      {entry.kind === "stroke" && step?.with_breath && <Own>{say.pressOnOutBreath}</Own>}
      {entry.kind === "stroke" && step?.note && <Own>{step.note}</Own>}
      {start && (
        <p className="text-[clamp(1.1rem,1.7vw,1.6rem)] max-sm:text-base">
          {say.startAt(start.depth, start.why)}
        </p>
      )}
      {beats ? (
        <Counting beats={beats} since={run.paused_at ? null : since} clock={clock} />
      ) : (
        <How>{cue.how}</How>
      )}
    </>
  );
}

export function Place({ children }: { children: string }) {
  return <p className="font-serif text-[clamp(1.6rem,min(3.4vw,10cqh),3.4rem)] italic">{children}</p>;
}

/** The heading that must be legible at 1.5 m: never smaller on a tablet, however little room is left. */
export function Name({ children }: { children: string }) {
  return (
    <h1 className="font-sans text-[clamp(4.6rem,min(7.5vw,26cqh),14rem)] font-semibold leading-[1.02] max-sm:text-[3.1rem]">
      {children}
    </h1>
  );
}

/** What else helps, where there is room for it. */
export function How({ children }: { children: ReactNode }) {
  return (
    <p className="max-w-[46ch] text-[clamp(1.1rem,1.7vw,1.6rem)] text-quiet max-sm:hidden [@container_(height<19rem)]:hidden">
      {children}
    </p>
  );
}

/** What the client is asked while the hands go on. */
export function Asks({ children }: { children: string }) {
  return <p className="text-[clamp(1.25rem,min(2.5vw,8cqh),2.4rem)] text-accent">{children}</p>;
}

/** What the therapist has written down for this stroke: read from a step away, too. */
function Own({ children }: { children: string }) {
  return (
    <p className="max-w-[40ch] text-[clamp(1.25rem,min(2.5vw,8cqh),2.4rem)] leading-tight italic">
      {children}
    </p>
  );
}

/** A region beside the plan: its strokes on one card, in their order. */
function AddedStage(props: { entry: Entry; extra: Extra | undefined; place: string }) {
  const catalogue = useCatalogue();
  const { entry, extra, place } = props;
  const window = catalogue.windows[extra?.window ?? ""];
  const wash = extra?.clean_hands && entry.hands !== "clean";
  const strokes = (extra?.steps ?? []).map(({ stroke, passes, zone }) => {
    const name = catalogue.strokes[stroke]?.name ?? stroke;
    return `${name}${zone ? `, ${zoneName(zone, catalogue.regions[extra?.region ?? ""])}` : ""} ${passes}×`;
  });
  return (
    <>
      <Place>{say.addedToPlan}</Place>
      <Name>{place}</Name>
      <p className="max-w-[44ch] text-[clamp(1.25rem,min(2.3vw,8cqh),2.2rem)]">
        {wash && <span className="text-accent">{say.washYourHandsFirst} </span>}
        {capital(listed(strokes))}
      </p>
      <How>{window?.instruction}</How>
    </>
  );
}

/** When the present step began on this device, or as late as is known of it. */
function useSince(step: string, run: RunState, clock: DeviceClock): number {
  const begun = useRef({ step, at: Date.parse(run.last_at ?? "") || clock.now() });
  if (begun.current.step !== step) begun.current = { step, at: clock.now() };
  return begun.current.at;
}
