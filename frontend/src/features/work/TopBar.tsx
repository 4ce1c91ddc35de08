import { Link } from "@tanstack/react-router";
import type { RunState, SessionView } from "../../api/client";

interface Props {
  session: SessionView;
  run: RunState;
  pace: string;
  onPause(): void;
  onResume(): void;
  onLeaving(): void;
  onHalt(): void;
}

/** Whose session it is, what is new today, whether it is on time; and, always in the same place, stopping it. */
export function TopBar({ session, run, pace, ...acts }: Props) {
  return (
    <div className="relative z-20 flex flex-wrap items-center gap-x-5 gap-y-1 px-5 pt-3 text-lg sm:px-8">
      <Link
        to="/session/$sessionId/plan"
        params={{ sessionId: session.session_id }}
        className="min-h-11 py-2 text-quiet underline"
      >
        {session.client.name}
      </Link>
      {run.news && <p className="font-bold text-accent">△ {run.news}</p>}
      <p role="status" className="text-2xl sm:ml-auto">
        {run.paused_at ? "Time stands still" : pace}
      </p>
      <div className="flex gap-2 max-sm:w-full max-sm:justify-end">
        <button
          type="button"
          className="btn min-h-11 bg-base-100/70"
          onClick={run.paused_at ? acts.onResume : acts.onPause}
        >
          {run.paused_at ? "Time goes on" : "Pause"}
        </button>
        <button type="button" className="btn min-h-11 bg-base-100/70" onClick={acts.onLeaving}>
          Leave early
        </button>
        <button type="button" className="btn btn-accent min-h-11" onClick={acts.onHalt}>
          Stop
        </button>
      </div>
    </div>
  );
}
