import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, body, type MachineState } from "../../api/client";
import { machineQuery, machinesQuery } from "../../api/machineQueries";
import { say } from "../../phrases/screens/practice/machines";
import { timeOfDay } from "../../phrases/time";
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
  const { warmer, warm_at, late, says } = useQuery(query).data ?? {};
  const switching = useMutation({
    mutationFn: (on: boolean) =>
      body<MachineState>(
        api.PUT("/api/machines/towel_warmer", { body: { on }, params: { query: { session_id: sessionId } } }),
      ),
    onSuccess: (now) => queries.setQueryData(query.queryKey, now),
  });
  if (says) return <p className="text-accent">△ {says}</p>;
  if (!warmer) return null;
  const degrees = Math.round(warmer.temperature_c);
  const reading = !warmer.on
    ? say.off(degrees)
    : warmer.ready_in_s
      ? say.warming(degrees, timeOfDay(warm_at ?? "", timeZone))
      : say.warm(degrees);
  return (
    <section aria-label={say.towelWarmer} className="mb-3 flex flex-wrap items-center gap-x-4">
      <p role="status">
        {say.towelWarmer}: {reading}
        {late && <span className="block text-accent">△ {say.tooLate}</span>}
      </p>
      <Button disabled={switching.isPending} onClick={() => switching.mutate(!warmer.on)}>
        {warmer.on ? say.turnOff : say.turnOn}
      </Button>
      {switching.error && <ProblemNote error={switching.error} />}
    </section>
  );
}
