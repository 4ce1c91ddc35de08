import type { StepChange } from "./edits";

/** What can be done to a stroke. */
export interface StrokeActions {
  change(change: StepChange): void;
  move(by: -1 | 1): void;
  remove(): void;
  /** Leaves it out of the whole session, which is planned anew around that. */
  leaveOut: (() => void) | undefined;
  /** Begins a part of its own with it. */
  split: (() => void) | undefined;
  /** It is the only one of its part, which cannot be without. */
  last: boolean;
}
