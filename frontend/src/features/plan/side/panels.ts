import { say as findings } from "../../../phrases/screens/plan/findings";
import { say as others } from "../../../phrases/screens/plan/others";
import { say } from "../../../phrases/screens/plan/page";

/** What is looked at beside the plan, one at a time, by the name of its button. */
export const PANELS = {
  fit: say.anotherLength,
  flows: "Flows",
  versions: "Versions",
  others: others.otherPlans,
  left_out: say.leftOut,
  lay_out: findings.toLayOut,
  hands: findings.yourHands,
} as const;

export type PanelName = keyof typeof PANELS | "findings";

/** What a session that has begun still shows. */
export const STANDING: readonly PanelName[] = ["left_out", "lay_out", "hands"];
