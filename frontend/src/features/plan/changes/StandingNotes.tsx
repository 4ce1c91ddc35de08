import type { SessionView } from "../../../api/client";
import { LeftForNow } from "../../../meeting/LeftForNow";
import { unplacedOf } from "../../../meeting/unplaced";
import { NewsNote } from "./NewsNote";
import { PlacesNote } from "./PlacesNote";
import type { PlanChanges } from "./usePlanChanges";

interface Props {
  session: SessionView;
  changes: PlanChanges;
  /** Where a condition is has been told. */
  onTold(): void;
}

/** What to know beside a plan that stands: places to be told, what earlier sessions left, what is new of the client. */
export function StandingNotes({ session, changes, onTold }: Props) {
  return (
    <>
      <PlacesNote session={session} changes={changes} onTold={onTold} />
      <LeftForNow sessionId={session.session_id} stage="plan" />
      {unplacedOf(session.evaluation.restrictions).length === 0 && (
        <NewsNote session={session} changes={changes} />
      )}
    </>
  );
}
