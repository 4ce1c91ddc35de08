import { useState } from "react";
import type { Catalogue, Problem, RunSheet, RunState, SessionView } from "../../api/client";
import { TablePlan } from "../../tableplan/TablePlan";
import { useMoment } from "../../tableplan/useMoment";
import { cueFor } from "./cues";
import { Giving } from "./Giving";
import { Halt } from "./Halt";
import { Horizon } from "./Horizon";
import { leaves, owed } from "./owed";
import { PressurePads, type Word } from "./PressurePads";
import { behind, paceWords, progress, waterLevel } from "./pace";
import { Signs } from "./Signs";
import { SorePoints } from "./SorePoints";
import { neighbour, schedule } from "./schedule";
import { TopBar } from "./TopBar";
import { namesOf, Undone } from "./Undone";
import { useHandsOff } from "./useHandsOff";
import { useKeys } from "./useKeys";
import { useNow } from "./useNow";
import type { Happen, Happening } from "./useRun";
import { Water } from "./Water";

interface Props {
  session: SessionView;
  catalogue: Catalogue;
  run: RunState;
  happen: Happen;
  unsent: number;
  refusal: Problem | null;
}

/** One stroke at a time, in letters to be read from a step away; the water falls as its stop's time runs out. */
export function AtTheTable({ session, catalogue, run, happen, unsent, refusal }: Props) {
  const { sheet } = session.evaluation;
  const now = useNow(1000);
  const [ending, setEnding] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const [halting, setHalting] = useState(false);
  const [sore, setSore] = useState(false);
  const [left, setLeft] = useState(false);
  const [returning, setReturning] = useState<number | null>(null);
  const [asked, setAsked] = useState<ReadonlySet<string>>(new Set());
  const stopId = sheet.entries[run.entry]?.stop_id ?? "";
  const undone = owed(run);

  const forward = (present: RunState): Happening | null => {
    const to = neighbour(sheet, present, 1);
    if (to > present.entry) return { kind: "moved", to };
    if (ending) return { kind: "ended" };
    setEnding(true);
    return null;
  };
  const go = () => happen(forward);
  const on = () =>
    happen((present) => {
      const next = neighbour(sheet, present, 1);
      // What was gone back to for a debt leads on to where one was.
      if (returning !== null && next <= returning) {
        setReturning(null);
        return { kind: "moved", to: returning };
      }
      const stop = sheet.entries[present.entry]?.stop_id ?? "";
      const atTheCover = !ending && leaves(sheet, present.entry, next);
      if (!atTheCover || asked.has(stop) || owed(present, stop).length === 0) return forward(present);
      setLeft(true);
      return null;
    });
  const back = () =>
    happen((present) => {
      setEnding(false);
      const to = neighbour(sheet, present, -1);
      return ending || to === present.entry ? null : { kind: "moved", to };
    });
  const say = (word: Word) =>
    happen((present) => {
      const about = strokeAt(sheet.entries, present.entry);
      if (!about) return null;
      return { kind: "said", word, region: about.region, side: about.side, depth: about.depth ?? 1 };
    });
  const point = () => setSore(true);
  useKeys({ on, back, say, point, resting: sore || halting || left });
  const handsOff = useHandsOff({
    entry: run.entry,
    seconds: schedule(sheet, run)[run.entry]?.seconds ?? 0,
    // The end is never reached by itself.
    resting:
      Boolean(run.paused_at) || sore || halting || left || ending || neighbour(sheet, run, 1) === run.entry,
    on,
  });
  const entry = sheet.entries[run.entry];
  const moment = useMoment(session, entry, catalogue);
  if (!entry) return null;
  const cue = cueFor(entry, catalogue);
  const next = sheet.entries[neighbour(sheet, run, 1)];
  const nextCue = next && next !== entry ? cueFor(next, catalogue) : null;
  const working = entry.role === "work" && strokeAt(sheet.entries, run.entry);

  return (
    <div className="relative flex h-dvh flex-col overflow-hidden">
      <Water level={waterLevel(run, sheet, now)} />
      <TopBar
        session={session}
        run={run}
        owed={undone.length}
        pace={paceWords(behind(run, sheet, now))}
        advances={handsOff.advances}
        onAdvances={handsOff.toggle}
        onPause={() => happen(() => ({ kind: "paused" }))}
        onResume={() => happen(() => ({ kind: "resumed" }))}
        onLeaving={() => setLeaving(!leaving)}
        onHalt={() => setHalting(true)}
      />
      <Giving
        session={session}
        catalogue={catalogue}
        run={run}
        now={now}
        happen={happen}
        leaving={leaving}
        onLeaving={setLeaving}
      />
      {refusal ? (
        <p role="alert" className="relative z-20 px-8 text-xl text-accent">
          △ {refusal.document.title} Your taps are kept on this device.
        </p>
      ) : (
        unsent > 3 && (
          <p className="relative z-20 px-8 text-lg text-quiet">Not connected: taps are kept here.</p>
        )
      )}
      <div className="relative flex min-h-0 flex-1">
        <TapZone side="left" label="Go back" onTap={back} disabled={run.entry === 0} />
        <TapZone side="right" label="Go on" onTap={on} />
        <div className="pointer-events-none relative z-10 flex w-full flex-col items-center justify-center gap-[1.5vh] px-4 text-center sm:px-24">
          {ending ? (
            <>
              <p className="font-serif text-[clamp(1.6rem,3.2vw,3rem)] italic">That was the last hold.</p>
              <h1 className="text-[clamp(2.6rem,8vw,7rem)]">End the session?</h1>
              {undone.length > 0 && (
                <p className="max-w-[40ch] text-[clamp(1.2rem,2.2vw,2rem)] text-accent">
                  △ Still owed: {namesOf(sheet, catalogue, undone)}.
                </p>
              )}
              <p className="text-[clamp(1.2rem,2.2vw,2rem)]">Go on ends it; go back stays.</p>
            </>
          ) : (
            <>
              <p className="font-serif text-[clamp(1.6rem,3.4vw,3.4rem)] italic">{cue.place}</p>
              <h1 className="font-sans text-[clamp(2.6rem,max(4.6rem,7.5vw),9rem)] font-semibold leading-[1.02] max-sm:text-[3.1rem]">
                {cue.name}
              </h1>
              <p className="text-[clamp(1.25rem,2.5vw,2.4rem)]">{cue.detail}</p>
              <p className="max-w-[46ch] text-[clamp(1.1rem,1.7vw,1.6rem)] text-quiet max-sm:hidden">
                {cue.how}
              </p>
            </>
          )}
        </div>
        {moment && (
          <div className="pointer-events-none relative z-10 mr-36 hidden w-[26rem] shrink-0 self-center min-[1500px]:block">
            <TablePlan moment={moment} catalogue={catalogue} />
          </div>
        )}
      </div>
      <p className="relative z-10 px-5 pb-2 text-center text-[clamp(1.1rem,1.9vw,1.8rem)] text-quiet">
        {nextCue ? `Next: ${nextCue.name}, ${nextCue.place.toLowerCase()}` : "The last hold"}
      </p>
      <Horizon at={progress(run, sheet)} />
      <Signs
        disabled={!working}
        onSee={(sign) =>
          happen((present) => {
            const about = strokeAt(sheet.entries, present.entry);
            return about ? { kind: "observed", sign, region: about.region, side: about.side } : null;
          })
        }
        onPoint={point}
        onSkip={() => {
          if (entry.kind !== "stroke") return;
          happen((present) => ({
            kind: "skipped",
            stop_id: entry.stop_id,
            entries: [present.entry],
            reason: "",
          }));
          go();
        }}
      />
      <PressurePads
        disabled={!working}
        last={run.said.filter((saying) => saying.region === entry.region).at(-1)?.word}
        points={run.points.filter(({ region }) => region === entry.region).length}
        onSay={say}
        onPoint={point}
      />
      {sore && working && (
        <SorePoints
          session={session}
          catalogue={catalogue}
          run={run}
          entry={working}
          happen={happen}
          onClose={() => setSore(false)}
        />
      )}
      {left && (
        <Undone
          sheet={sheet}
          catalogue={catalogue}
          entries={owed(run, stopId)}
          onNow={() => {
            const to = owed(run, stopId)[0] ?? run.entry;
            setReturning(run.entry);
            setLeft(false);
            happen(() => ({ kind: "moved", to }));
          }}
          onLater={() => {
            setAsked(new Set([...asked, stopId]));
            setLeft(false);
            go();
          }}
          onWaive={(reason) => {
            happen((present) => ({
              kind: "skipped",
              stop_id: stopId,
              entries: owed(present, stopId),
              reason,
            }));
            setLeft(false);
            go();
          }}
        />
      )}
      {halting && (
        <Halt
          onHalt={(reason) => happen(() => ({ kind: "halted", reason }))}
          onClose={() => setHalting(false)}
        />
      )}
    </div>
  );
}

/** The stroke a word on pressure is about: the present one, or the last before it in the same stop. */
function strokeAt(entries: RunSheet["entries"], index: number) {
  const stop = entries[index]?.stop;
  for (let i = index; i >= 0 && entries[i]?.stop === stop; i--)
    if (entries[i]?.kind === "stroke") return entries[i];
  return undefined;
}

function TapZone(props: { side: "left" | "right"; label: string; disabled?: boolean; onTap(): void }) {
  return (
    <button
      type="button"
      onClick={props.onTap}
      disabled={props.disabled}
      className={`absolute inset-y-0 z-0 flex w-1/3 items-center whitespace-nowrap px-4 text-2xl text-quiet hover:bg-base-content/5 disabled:opacity-30 sm:px-6 ${
        props.side === "left" ? "left-0 justify-start" : "right-0 justify-end"
      } max-sm:items-end max-sm:pb-4`}
    >
      {props.side === "left" ? `‹ ${props.label}` : `${props.label} ›`}
    </button>
  );
}
