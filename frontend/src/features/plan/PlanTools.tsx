import { Link } from "@tanstack/react-router";
import type { ReactNode } from "react";
import type { SessionView } from "../../api/client";
import { say } from "../../phrases/screens/plan/page";
import { Button } from "../../ui/Button";
import { TakeBack } from "./changes/TakeBack";
import type { PlanChanges } from "./changes/usePlanChanges";
import { KeysOfPlan } from "./KeysOfPlan";
import { PANELS, type PanelName, STANDING } from "./side/panels";

interface Props {
  session: SessionView;
  changes: PlanChanges;
  /** What is open beside the plan. */
  side: PanelName | null;
  onSide(side: PanelName | null): void;
  /** The session has begun: its plan can only be looked at. */
  fixed: boolean;
  /** What stands at the end of the row. */
  children: ReactNode;
}

/** What is done to a plan as a whole and seen beside it, in one quiet row. */
export function PlanTools({ session, changes, side, onSide, fixed, children }: Props) {
  const names = Object.entries(PANELS) as [keyof typeof PANELS, string][];
  return (
    <div className="no-print flex flex-wrap items-center gap-x-1">
      {!fixed && <TakeBack session={session} changes={changes} />}
      {names
        .filter(([name]) => !fixed || STANDING.includes(name))
        .map(([name, words]) => (
          <Button
            key={name}
            look="quiet"
            className={`px-2.5 ${side === name ? "bg-base-300" : ""}`}
            aria-expanded={side === name}
            onClick={() => onSide(side === name ? null : name)}
          >
            {words}
          </Button>
        ))}
      <Link
        to="/session/$sessionId/sheet"
        params={{ sessionId: session.session_id }}
        className="btn btn-ghost min-h-11 px-2.5"
      >
        {say.printRunSheet}
      </Link>
      <KeysOfPlan />
      {children}
    </div>
  );
}
