import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { RunState, SessionView, TableSide } from "../../../api/client";
import { meQuery } from "../../../api/queries";
import { useCatalogue } from "../../../api/useCatalogue";
import { firstTouch } from "../../../lib/firstTouch";
import { say } from "../../../phrases/screens/work/giving";
import { giveWords } from "../../../phrases/table/giving";
import { span, timeOfDay } from "../../../phrases/time";
import { type Bending, bend } from "../../../tableside/bending";
import { begunLate, behind, elapsed } from "../../../tableside/progress";
import { Button } from "../../../ui/Button";
import type { Happen } from "../run/useRun";

/** Seconds of delay from which, and by which further, something is offered. */
const WORTH_SAYING = 60;
/** Minutes from now at which the client may have to leave; those that are still before the end are offered. */
const LEAVES_IN = [5, 10, 15, 20, 30, 45, 60, 75, 90];
/** How many of the regions that give can be spared by a tap. */
const SPARED = 3;

interface Props {
  session: SessionView;
  run: RunState;
  now: number;
  happen: Happen;
  side: TableSide | undefined;
  /** Whether what may give way could not be asked for. */
  unknown: boolean;
  /** Whether the client must leave early, and is being asked when. */
  leaving: boolean;
  onLeaving(leaving: boolean): void;
}

/** What gives way when the session is late, or the client must leave: said in one line before it happens. */
export function Giving({ session, run, now, happen, side, unknown, leaving, onLeaving }: Props) {
  const catalogue = useCatalogue();
  const { sheet } = session.evaluation;
  const [refused, setRefused] = useState(0);
  const [onTime, setOnTime] = useState(true);
  const [minutes, setMinutes] = useState<number | null>(null);
  const [keep, setKeep] = useState<ReadonlySet<string>>(new Set());
  const late = behind(run, sheet, now);
  const lateStart = onTime ? begunLate(run, sheet, firstTouch(session), now) : 0;
  const worth = late >= WORTH_SAYING && late >= refused + WORTH_SAYING;
  if (run.paused_at || sheet.open_ended || !(worth || leaving || lateStart > 0)) return null;
  if (!side)
    return leaving ? (
      <p role="status" className="relative z-20 px-8 text-xl text-quiet">
        {unknown ? say.cannotBeReached : say.lookingUpWhatMayGive}
      </p>
    ) : null;
  const total =
    leaving && minutes !== null
      ? elapsed(run, now) + minutes * 60
      : (run.total ?? sheet.seconds) - (leaving ? 0 : lateStart);
  const asked = minutes !== null || !leaving;
  const bent = asked ? bend(side.replanning, sheet, run, total, now, keep) : null;
  const given = bent && giveWords(bent, sheet, run, catalogue);
  const settled = () => {
    setMinutes(null);
    setKeep(new Set());
    setOnTime(false);
    onLeaving(false);
  };
  const take = (taken: Bending) => {
    happen(() => ({ kind: "bent", seconds: taken.seconds, total: Math.round(total) }));
    setRefused(0);
    settled();
  };
  if (!leaving && (!bent || (!given?.line && !bent.short_by))) return null;
  return (
    <section
      aria-label={say.whatGivesWay}
      className="z-20 flex flex-wrap items-center justify-center gap-x-4 gap-y-2 px-5 py-2 text-xl max-sm:fixed max-sm:inset-x-0 max-sm:bottom-0 max-sm:z-30 max-sm:border-t max-sm:border-base-content/30 max-sm:bg-base-100 max-sm:py-4 sm:relative sm:bg-base-100/85"
    >
      {leaving && (
        <LeavesIn
          now={now}
          left={(run.total ?? sheet.seconds) - elapsed(run, now)}
          minutes={minutes}
          onMinutes={setMinutes}
        />
      )}
      {bent && <Says bent={bent} line={given?.line ?? ""} lateStart={leaving ? 0 : lateStart} />}
      {bent && bent.short_by === 0 && (
        <Button look="main" className="min-h-12 text-lg" onClick={() => take(bent)}>
          Do this
        </Button>
      )}
      {given?.regions.slice(0, SPARED).map((region) => (
        <Button
          key={region}
          className="min-h-12 text-lg font-normal"
          onClick={() => setKeep(new Set([...keep, region]))}
        >
          {say.spare(catalogue.regions[region]?.whole ?? region)}
        </Button>
      ))}
      {keep.size > 0 && (
        <Button className="min-h-12 text-lg" onClick={() => setKeep(new Set())}>
          {say.shortenAny}
        </Button>
      )}
      <Button
        className="min-h-12 text-lg"
        onClick={() => {
          setRefused(late);
          settled();
        }}
      >
        {say.keepPlan}
      </Button>
    </section>
  );
}

interface LeavesInProps {
  now: number;
  /** Seconds to the last stroke as it stands. */
  left: number;
  minutes: number | null;
  onMinutes(minutes: number): void;
}

/** When the client must leave, by the clock on the wall and from now. */
function LeavesIn({ now, left, minutes, onMinutes }: LeavesInProps) {
  const timeZone = useQuery(meQuery).data?.time_zone;
  return (
    <div className="flex flex-wrap items-center gap-2">
      <span>{say.leaveAt}</span>
      {LEAVES_IN.filter((one) => one * 60 < left).map((one) => (
        <Button
          key={one}
          className={`h-auto min-h-12 flex-col gap-0 py-1 text-lg leading-tight ${one === minutes ? "btn-primary" : ""}`}
          aria-pressed={one === minutes}
          onClick={() => onMinutes(one)}
        >
          {timeZone && <span className="numbers">{timeOfDay(new Date(now + one * 60_000), timeZone)} </span>}
          <span className="text-base font-normal">{say.inMinutes(one)}</span>
        </Button>
      ))}
    </div>
  );
}

function Says({ bent, line, lateStart }: { bent: Bending; line: string; lateStart: number }) {
  if (bent.short_by > 0)
    return (
      <p role="status" className="text-accent">
        {say.missingForTheClose(span(bent.short_by))}
      </p>
    );
  const begun = lateStart > 0 ? say.begunLate(span(Math.round(lateStart / 60) * 60)) : "";
  return <p role="status">{line ? `${begun}${line}.` : say.everythingFits}</p>;
}
