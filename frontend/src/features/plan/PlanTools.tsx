import { Link } from "@tanstack/react-router";
import { useState } from "react";
import type { SessionView } from "../../api/client";
import { say } from "../../phrases/screens/plan/page";
import { Button } from "../../ui/Button";
import { FitToTime } from "./brief/FitToTime";
import { TakeBack } from "./changes/TakeBack";
import type { PlanChanges } from "./changes/usePlanChanges";
import { KeysOfPlan } from "./KeysOfPlan";
import { StartFrom } from "./others/StartFrom";
import { Versions } from "./others/Versions";

interface Props {
  session: SessionView;
  changes: PlanChanges;
  /** The flow that was chosen in the library for this session, if one was. */
  from: string | null;
  /** The session has begun: its plan can only be looked at. */
  fixed: boolean;
}

type Tool = "fit" | "flows" | "versions";

const NAMES: Record<Tool, string> = {
  fit: say.lateClientOrAnotherLength,
  flows: "Flows",
  versions: "Versions",
};

/** What is done to a plan as a whole; one of them is open at a time. */
export function PlanTools({ session, changes, from, fixed }: Props) {
  const [open, setOpen] = useState<Tool | null>(from ? "flows" : null);
  const done = () => setOpen(null);
  return (
    <div className="no-print mt-4">
      <div className="flex flex-wrap items-center gap-x-2 gap-y-2">
        {!fixed && <TakeBack session={session} changes={changes} />}
        {!fixed &&
          (["fit", "flows", "versions"] as const).map((tool) => (
            <Button
              key={tool}
              aria-expanded={open === tool}
              onClick={() => setOpen(open === tool ? null : tool)}
            >
              {NAMES[tool]}
            </Button>
          ))}
        <Link
          to="/session/$sessionId/sheet"
          params={{ sessionId: session.session_id }}
          className="btn btn-ghost min-h-11"
        >
          {say.printRunSheet}
        </Link>
        <KeysOfPlan />
      </div>
      {open === "fit" && <FitToTime session={session} changes={changes} onDone={done} />}
      {open === "flows" && <StartFrom session={session} changes={changes} from={from} onDone={done} />}
      {open === "versions" && <Versions session={session} changes={changes} />}
    </div>
  );
}
