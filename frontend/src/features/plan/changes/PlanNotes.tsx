import type { Brief, SessionView } from "../../../api/client";
import { BriefProblem } from "../brief/BriefProblem";
import { PreviewNote } from "./PreviewNote";
import { StandingNotes } from "./StandingNotes";
import { TooLateNote } from "./TooLateNote";
import type { PlanChanges } from "./usePlanChanges";
import type { Preview } from "./usePreview";

interface Props {
  session: SessionView;
  changes: PlanChanges;
  problem: unknown;
  /** Whether another brief was wished that waits for its plan. */
  wished: boolean;
  preview: Preview | null;
  fixed: boolean;
  onBrief(patch: Partial<Brief>): void;
  /** Back to the plan that stands. */
  onPutBack(): void;
  onLeaveTooLate(): void;
  onLeavePreview(): void;
}

/** What wants an answer before one goes on: a change that was not made, one that came too late, one that is tried. */
export function PlanNotes(props: Props) {
  const { session, changes, problem, preview, onBrief } = props;
  return (
    <>
      {Boolean(problem) && (
        <BriefProblem problem={problem} wished={props.wished} onTake={onBrief} onPutBack={props.onPutBack} />
      )}
      {changes.tooLate && (
        <TooLateNote
          sessionId={session.session_id}
          tooLate={changes.tooLate}
          onLeave={props.onLeaveTooLate}
          onInsist={changes.insist}
        />
      )}
      {!props.fixed && (
        <StandingNotes session={session} changes={changes} onTold={() => props.wished && onBrief({})} />
      )}
      {preview && (
        <PreviewNote
          preview={preview}
          findings={session.evaluation.findings.length}
          onTake={() =>
            preview.brief
              ? void changes.fit(preview.brief).catch(() => undefined)
              : changes.edit(preview.edits, preview.words)
          }
          onLeave={props.onLeavePreview}
        />
      )}
    </>
  );
}
