import { useState } from "react";
import type { Brief, SessionView } from "../../../api/client";
import type { PlanChanges } from "../changes/usePlanChanges";

/** A brief as wished; `plannedAt` is the revision that answers it, once there is one. */
interface Wish {
  brief: Brief;
  plannedAt: number | null;
}

/**
 * The brief as wished, each change planned at once. A refused wish stays on screen with its problem; the stored plan
 * stays as it was until `putBack` or a wish that fits.
 */
export function useBrief(session: SessionView, changes: PlanChanges) {
  const [wish, setWish] = useState<Wish | null>(null);
  // A wish is what counts until the page has its answer: not a moment less, or a word chosen then would forget it.
  const waits = wish !== null && (wish.plannedAt === null || session.revision < wish.plannedAt);
  const brief = waits ? wish.brief : session.plan.flow.brief;
  function plan(next: Brief, anew: boolean) {
    setWish({ brief: next, plannedAt: null });
    changes.plan(next, anew).then(
      ({ revision }) => setWish((now) => (now?.brief === next ? { ...now, plannedAt: revision } : now)),
      // What went wrong is shown with the changes; a wish that came too late is offered again there.
      () => undefined,
    );
  }
  return {
    brief,
    wished: waits,
    change: (patch: Partial<Brief>) => plan({ ...brief, ...patch }, false),
    /** Another plan as it was offered: nothing that was set by hand before is kept. */
    take: (other: Brief) => plan(other, true),
    putBack() {
      setWish(null);
      changes.forget();
      changes.leave();
    },
  };
}
