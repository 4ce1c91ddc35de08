import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, body, type MachineState } from "../../api/client";
import { machineQuery, machinesQuery } from "../../api/machineQueries";
import { warmerReading } from "../../phrases/machines";
import { say } from "../../phrases/screens/practice/machines";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";

/** The towel warmer beside the towels of a session: how warm it is, when it is ready, and whether that is in time. */
export function Warmer({ sessionId, timeZone }: { sessionId: string; timeZone: string }) {
  const { machines = [] } = useQuery(machinesQuery).data ?? {};
  if (!machines.some(({ kind }) => kind === "towel_warmer")) return null;
  return <Paired sessionId={sessionId} timeZone={timeZone} />;
}

function Paired({ sessionId, timeZone }: { sessionId: string; timeZone: string }) {
  const queries = useQueryClient();
  const query = machineQuery("towel_warmer", sessionId);
  const { warmer, warm_at = null, late, says } = useQuery(query).data ?? {};
  const switching = useMutation({
    mutationFn: (on: boolean) =>
      body<MachineState>(
        api.PUT("/api/machines/towel_warmer", { body: { on }, params: { query: { session_id: sessionId } } }),
      ),
    onSuccess: (now) => queries.setQueryData(query.queryKey, now),
  });
  if (says) return <p className="text-accent">△ {says}</p>;
  if (!warmer) return null;
  return (
    <section aria-label={say.towelWarmer} className="mb-3 flex flex-wrap items-center gap-x-4">
      <p role="status">
        {say.towelWarmer}: {warmerReading({ warmer, warm_at }, timeZone)}
        {late && <span className="block text-accent">△ {say.tooLate}</span>}
      </p>
      <Button disabled={switching.isPending} onClick={() => switching.mutate(!warmer.on)}>
        {warmer.on ? say.turnOff : say.turnOn}
      </Button>
      {switching.error && <ProblemNote error={switching.error} />}
    </section>
  );
}
