import type { StepChange } from "./edits";

/** What can be done to a stroke. */
export interface StrokeActions {
  change(change: StepChange): void;
  move(by: -1 | 1): void;
  remove(): void;
  /** Begins a part of its own with it. */
  split: (() => void) | undefined;
  /** It is the only one of its part, which cannot be without. */
  last: boolean;
}
