import type { Problem, RunState, SessionView } from "../../api/client";
import type { DeviceClock } from "./run/deviceClock";
import type { Happen } from "./run/useRun";

/** What every part of the table's screen is given. */
export interface AtTheTableProps {
  session: SessionView;
  run: RunState;
  happen: Happen;
  clock: DeviceClock;
  unsent: number;
  /** Whether this device can keep taps at all. */
  keeps: boolean;
  refusal: Problem | null;
}
