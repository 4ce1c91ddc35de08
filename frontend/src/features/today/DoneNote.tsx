import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { useEffect, useRef } from "react";
import { shared } from "../../phrases/screens/shared";
import { say } from "../../phrases/screens/today/booking";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import type { Done } from "./done";

/** What was just done, with the way to it and the way back. Keys arrive at the plan of what was booked. */
export function DoneNote({ done, onDone }: { done: Done; onDone(done: Done): void }) {
  const queries = useQueryClient();
  const link = useRef<HTMLAnchorElement>(null);
  const undoing = useMutation({
    mutationFn: async () => done.undo?.(),
    onSuccess: () => onDone({ words: say.isUndone }),
    onSettled: () => queries.invalidateQueries({ queryKey: ["day"] }),
  });
  useEffect(() => {
    if (done.sessionId) link.current?.focus();
  }, [done]);
  return (
    <div className="mt-2">
      <p
        role="status"
        className="flex flex-wrap items-center gap-x-3 rounded-field bg-secondary px-4 py-1 text-secondary-content"
      >
        <span className="py-2">{done.words}</span>
        {done.sessionId && (
          <Link
            ref={link}
            to="/session/$sessionId/plan"
            params={{ sessionId: done.sessionId }}
            className="flex min-h-11 items-center font-bold underline underline-offset-4"
          >
            {shared.lookAtPlan}
          </Link>
        )}
        {done.undo && (
          <Button look="quiet" disabled={undoing.isPending} onClick={() => undoing.mutate()}>
            Undo
          </Button>
        )}
      </p>
      {undoing.error && <ProblemNote error={undoing.error} />}
    </div>
  );
}
