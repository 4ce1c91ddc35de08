import { useState } from "react";
import type { Brief, SessionView } from "../../api/client";
import type { PlanChanges } from "./usePlanChanges";

/**
 * The brief as wished, each change planned at once. A refused wish stays on screen with its problem; the stored plan
 * stays as it was until `putBack` or a wish that fits.
 */
export function useBrief(session: SessionView, changes: PlanChanges) {
  const [wished, setWished] = useState<Brief | null>(null);
  const brief = wished ?? session.plan.flow.brief;
  function wish(next: Brief, anew: boolean) {
    setWished(next);
    changes.plan(next, anew).then(
      () => setWished((now) => (now === next ? null : now)),
      // What went wrong is shown with the changes; a wish that came too late is offered again there.
      () => undefined,
    );
  }
  return {
    brief,
    wished: wished !== null,
    change: (patch: Partial<Brief>) => wish({ ...brief, ...patch }, false),
    /** Another plan as it was offered: nothing that was set by hand before is kept. */
    take: (other: Brief) => wish(other, true),
    putBack() {
      setWished(null);
      changes.forget();
      changes.leave();
    },
  };
}
