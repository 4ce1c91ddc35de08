import { Link } from "@tanstack/react-router";
import { useRef, useState } from "react";
import type { RunState, SessionView } from "../../api/client";
import { shared } from "../../phrases/screens/shared";
import { say } from "../../phrases/screens/work/page";
import { Button } from "../../ui/Button";
import { Popover } from "../../ui/Popover";

interface Props {
  session: SessionView;
  run: RunState;
  pace: string;
  /** How many strokes were skipped and are neither done nor waived. */
  owed: number;
  /** Whether the session goes on by itself. */
  advances: boolean;
  onAdvances?(): void;
  onPause(): void;
  onResume(): void;
  onLeaving?(): void;
  onSettings(): void;
  onHalt(): void;
}

/** Whose session it is, what is new today, whether it is on time; and, always in the same place, stopping it. */
export function TopBar({ session, run, pace, owed, advances, ...acts }: Props) {
  const more = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  const done = (act?: () => void) => {
    setOpen(false);
    act?.();
  };
  return (
    <div className="relative z-20 flex flex-wrap items-center gap-x-3 gap-y-1 px-5 pt-3 text-lg sm:gap-x-5 sm:px-8">
      <Link
        to="/session/$sessionId/plan"
        params={{ sessionId: session.session_id }}
        className="min-h-11 truncate rounded-field bg-base-100 px-2 py-2 text-quiet underline max-sm:max-w-36"
      >
        {session.client.name}
      </Link>
      {run.news && <p className="font-bold text-accent">△ {run.news}</p>}
      {owed > 0 && (
        <p className="text-accent">△ {owed === 1 ? say.oneStrokeIsOwed : say.strokesAreOwed(owed)}</p>
      )}
      <p role="status" className="text-lg sm:ml-auto sm:text-2xl">
        {run.paused_at ? say.pausedNow : pace}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button className="bg-base-100" onClick={run.paused_at ? acts.onResume : acts.onPause}>
          {run.paused_at ? say.resumeNow : "Pause"}
        </Button>
        {acts.onLeaving && (
          <Button className="bg-base-100" onClick={acts.onLeaving}>
            Leave early
          </Button>
        )}
        <Button ref={more} className="bg-base-100" aria-expanded={open} onClick={() => setOpen(!open)}>
          More
        </Button>
        {open && (
          <Popover anchor={more.current} placement="bottom-end" className="p-3">
            <span className="flex flex-col items-start gap-1">
              {acts.onAdvances && (
                <Button
                  look="quiet"
                  className="text-lg"
                  aria-pressed={advances}
                  onClick={() => done(acts.onAdvances)}
                >
                  {advances ? say.goesOnByItself : say.waitsForYou}
                </Button>
              )}
              <Button look="quiet" className="text-lg" onClick={() => done(acts.onSettings)}>
                {shared.tableSettings}
              </Button>
            </span>
          </Popover>
        )}
      </div>
      <Button look="warn" className="max-sm:order-1 max-sm:ml-auto" onClick={acts.onHalt}>
        Stop
      </Button>
    </div>
  );
}
