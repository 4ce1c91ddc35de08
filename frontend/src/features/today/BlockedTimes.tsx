import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, type Day } from "../../api/client";
import { timeAt } from "../../lib/days";
import { say } from "../../phrases/screens/today/calendarIn";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import type { Done } from "./done";

/** The time of a day in which no session is to be; each can be freed, and blocked again. */
export function BlockedTimes({ day, onDone }: { day: Day; onDone(done: Done): void }) {
  const queries = useQueryClient();
  const freeing = useMutation({
    mutationFn: async ({ block }: Day["blocks"][number]) => {
      const path = { block_id: block.block_id };
      await api.DELETE("/api/blocked-time/{block_id}", { params: { path } });
      const { block_id: _, ...kept } = block;
      onDone({
        words: say.deletedBlock(block.title),
        undo: () => api.PUT("/api/blocked-time/{block_id}", { params: { path }, body: kept }),
      });
    },
    onSettled: () => queries.invalidateQueries({ queryKey: ["day"] }),
  });
  if (day.blocks.length === 0) return null;
  return (
    <section aria-label={say.blocked} className="mt-6">
      <h2 className="text-2xl">{say.blocked}</h2>
      <ul className="mt-1 divide-y divide-base-300 border-y border-base-300">
        {day.blocks.map((one) => (
          <li key={one.block.block_id} className="flex min-h-12 flex-wrap items-center gap-x-4 px-2">
            <span className="numbers">
              {one.block.whole_days ? say.allDay : `${timeAt(one.span.begins)} – ${timeAt(one.span.ends)}`}
            </span>
            <span className="grow wrap-anywhere">{one.block.title || say.untitled}</span>
            <Button
              look="quiet"
              aria-label={say.deleteBlock(one.block.title)}
              disabled={freeing.isPending}
              onClick={() => freeing.mutate(one)}
            >
              Delete
            </Button>
          </li>
        ))}
      </ul>
      {freeing.error && <ProblemNote error={freeing.error} />}
    </section>
  );
}
