import { useMutation } from "@tanstack/react-query";
import type { Brief } from "../../../api/client";
import { tryBrief } from "../changes/tryBrief";
import type { PlanChanges } from "../changes/usePlanChanges";

/** Trying another length with the least change, and taking it. */
export function useFit(sessionId: string, changes: PlanChanges) {
  const trying = useMutation({
    mutationFn: (brief: Brief) => tryBrief(sessionId, brief),
  });
  return {
    tried: trying.data,
    working: trying.isPending || changes.changing,
    problem: trying.error,
    attempt: trying.mutate,
    /** Whether it was taken; what went wrong is shown with the changes. */
    take: (brief: Brief, lateMinutes = 0) =>
      changes.fit(brief, lateMinutes).then(
        () => {
          trying.reset();
          return true;
        },
        () => false,
      ),
    leave: trying.reset,
  };
}
