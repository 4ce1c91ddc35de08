import type { Brief, SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/plan/page";
import { wayUp } from "../parts/sequence";
import { BriefSentence } from "./BriefSentence";

interface Props {
  session: SessionView;
  brief: Brief;
  problem: unknown;
  planning: boolean;
  fixed: boolean;
  onChange(patch: Partial<Brief>): void;
}

/** The brief, and whether the plan follows it. */
export function BriefSection({ session, brief, problem, planning, fixed, onChange }: Props) {
  const catalogue = useCatalogue();
  return (
    <section aria-label="Brief" className="desk:shrink-0">
      <BriefSentence
        brief={brief}
        wayUp={wayUp(session.plan.flow.parts, catalogue)}
        problem={problem}
        fixed={fixed}
        onChange={onChange}
      />
      {fixed && <p className="text-quiet italic">{say.planStands}</p>}
      <p role="status" className="sr-only">
        {planning ? "Planning" : problem ? say.planWasNotChanged : say.planIsUpToDate}
      </p>
    </section>
  );
}
