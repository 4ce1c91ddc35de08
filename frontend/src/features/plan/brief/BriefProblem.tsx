import { type Brief, Problem } from "../../../api/client";
import { say } from "../../../phrases/screens/plan/page";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Offers } from "./Offers";

interface Props {
  problem: unknown;
  /** Whether another brief was wished that waits for its plan. */
  wished: boolean;
  onTake(patch: Partial<Brief>): void;
  onPutBack(): void;
}

/** Why a change was not made, what would do instead, and the way back to the plan that stands. */
export function BriefProblem({ problem, wished, onTake, onPutBack }: Props) {
  return (
    <>
      <ProblemNote error={problem} />
      {problem instanceof Problem && <Offers offers={problem.document.offers ?? []} onTake={onTake} />}
      <Button onClick={onPutBack}>{wished ? say.putBriefBack : say.keepPlan}</Button>
    </>
  );
}
