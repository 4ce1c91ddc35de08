import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, body, type Machines as Paired } from "../../../api/client";
import { machineQuery, machinesQuery } from "../../../api/machineQueries";
import { machineReading } from "../../../phrases/machines";
import { say } from "../../../phrases/screens/practice/machines";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Section } from "../../../ui/Section";
import { PairMachine } from "./PairMachine";
import { TableHeights } from "./TableHeights";

interface Props {
  timeZone: string;
  /** Whether machines are paired here at all. */
  demo: boolean;
  mayPair: boolean;
}

/** The machines of the room: what is paired and how it is, what can be paired, and one's own heights. */
export function Machines({ timeZone, demo, mayPair }: Props) {
  const machines = useQuery(machinesQuery);
  if (machines.error) return <ProblemNote error={machines.error} onAgain={() => machines.refetch()} />;
  if (!machines.data) return null;
  const { machines: paired, heights } = machines.data;
  return (
    <Section anchor="machines" title={say.machines} intro={say.whatMachinesAre}>
      {paired.length === 0 && <p className="mt-3">{demo ? say.notInDemo : say.nothingPaired}</p>}
      {paired.length > 0 && (
        <ul aria-label={say.machines} className="mt-3 max-w-[44rem] divide-y divide-base-300">
          {paired.map((machine) => (
            <OneMachine key={machine.kind} machine={machine} timeZone={timeZone} mayEnd={mayPair} />
          ))}
        </ul>
      )}
      {mayPair && !demo && <PairMachine />}
      {heights && <TableHeights key={`${heights.low_cm} ${heights.high_cm}`} heights={heights} />}
    </Section>
  );
}

function OneMachine(props: { machine: Paired["machines"][number]; timeZone: string; mayEnd: boolean }) {
  const { machine, timeZone, mayEnd } = props;
  const queries = useQueryClient();
  const state = useQuery(machineQuery(machine.kind));
  const ending = useMutation({
    mutationFn: () =>
      body<Paired>(api.DELETE("/api/machines/{kind}", { params: { path: { kind: machine.kind } } })),
    onSuccess: (now) => queries.setQueryData(machinesQuery.queryKey, now),
  });
  const says = state.data?.says;
  return (
    <li className="flex min-h-12 flex-wrap items-center gap-x-4 py-1">
      <b>{machine.name}</b>
      <span role="status" className={`grow ${says ? "text-accent" : "text-quiet"}`}>
        {says ? `△ ${says}` : machineReading(state.data, timeZone)}
      </span>
      {mayEnd && (
        <Button
          look="quiet"
          aria-label={say.endPairing(machine.name)}
          disabled={ending.isPending}
          onClick={() => ending.mutate()}
        >
          Delete
        </Button>
      )}
      {ending.error && <ProblemNote error={ending.error} />}
    </li>
  );
}
