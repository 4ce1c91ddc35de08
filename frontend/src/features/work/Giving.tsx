import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Catalogue, RunState, SessionView } from "../../api/client";
import { replanQuery } from "../../api/queries";
import { span } from "../../lib/time";
import { type Bending, bend } from "./bending";
import { behind, elapsed } from "./pace";
import type { Happen } from "./useRun";

/** Seconds of delay from which, and by which further, something is offered. */
const WORTH_SAYING = 60;
/** Minutes. */
const LEAVES_IN = [5, 10, 15, 20, 30];

interface Props {
  session: SessionView;
  catalogue: Catalogue;
  run: RunState;
  now: number;
  happen: Happen;
  /** Whether the client must leave early, and is being asked when. */
  leaving: boolean;
  onLeaving(leaving: boolean): void;
}

/** What gives way when the session is late, or the client must leave: said in one line before it happens. */
export function Giving({ session, catalogue, run, now, happen, leaving, onLeaving }: Props) {
  const { sheet } = session.evaluation;
  // Asked for when the run begins; from then on the device knows it without the server.
  const tables = useQuery({ ...replanQuery(session.session_id), staleTime: Number.POSITIVE_INFINITY });
  const [refused, setRefused] = useState(0);
  const [minutes, setMinutes] = useState<number | null>(null);
  const late = behind(run, sheet, now);
  const total = leaving && minutes !== null ? elapsed(run, now) + minutes * 60 : (run.total ?? sheet.seconds);
  const worth = late >= WORTH_SAYING && late >= refused + WORTH_SAYING;
  if (run.paused_at || !(worth || leaving)) return null;
  if (!tables.data)
    return leaving ? (
      <p role="status" className="relative z-20 px-8 text-xl text-quiet">
        {tables.error
          ? "This device could not ask what may give way. Shorten by hand; keep the close."
          : "Looking up what may give way …"}
      </p>
    ) : null;
  const bent = minutes !== null || !leaving ? bend(tables.data, sheet, run, total, now, catalogue) : null;
  const take = (taken: Bending) => {
    happen(() => ({ kind: "bent", seconds: taken.seconds, total: Math.round(taken.total) }));
    setRefused(0);
    setMinutes(null);
    onLeaving(false);
  };
  if (!leaving && (!bent || (!bent.says && !bent.short_by))) return null;
  return (
    <section
      aria-label="What gives way"
      className="z-20 flex flex-wrap items-center justify-center gap-x-4 gap-y-2 px-5 py-2 text-xl max-sm:absolute max-sm:inset-x-0 max-sm:top-[7.5rem] max-sm:z-30 max-sm:bg-base-100 max-sm:py-4 sm:relative sm:bg-base-100/85"
    >
      {leaving && (
        <div className="flex flex-wrap items-center gap-2">
          <span>Over in</span>
          {LEAVES_IN.map((one) => (
            <button
              key={one}
              type="button"
              className={`btn min-h-12 text-lg ${one === minutes ? "btn-primary" : ""}`}
              aria-pressed={one === minutes}
              onClick={() => setMinutes(one)}
            >
              {one} min
            </button>
          ))}
        </div>
      )}
      {bent && bent.short_by > 0 && (
        <p role="status" className="text-accent">
          △ Not even the close fits: {span(bent.short_by)} are missing. Go to the last hold.
        </p>
      )}
      {bent && bent.short_by === 0 && (
        <>
          <p role="status">{bent.says ? `${bent.says}.` : "Nothing has to give way."}</p>
          <button type="button" className="btn btn-primary min-h-12 text-lg" onClick={() => take(bent)}>
            Do that
          </button>
        </>
      )}
      <button
        type="button"
        className="btn min-h-12 text-lg"
        onClick={() => {
          setRefused(late);
          setMinutes(null);
          onLeaving(false);
        }}
      >
        Keep the plan
      </button>
    </section>
  );
}
