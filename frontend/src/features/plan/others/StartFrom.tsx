import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, body, type FlowView, type SessionView, type Start } from "../../../api/client";
import { flowsQuery } from "../../../api/queries";
import { useCatalogue } from "../../../api/useCatalogue";
import { changeLines, keptWords } from "../../../phrases/plan/difference";
import { whyAdapted } from "../../../phrases/plan/whyAdapted";
import { say } from "../../../phrases/screens/plan/others";
import { shared } from "../../../phrases/screens/shared";
import { capital } from "../../../phrases/words";
import { SmallTide } from "../../../tideline/SmallTide";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Waiting } from "../../../ui/Waiting";
import type { PlanChanges } from "../changes/usePlanChanges";
import { KeepAsFlow } from "./KeepAsFlow";

interface Props {
  session: SessionView;
  changes: PlanChanges;
  /** The flow that was chosen in the library, if one was. */
  from: string | null;
  onDone(): void;
}

/** Starting from a kept or shipped flow, adapted to this client with each change named; and keeping this plan as one. */
export function StartFrom({ session, changes, from, onDone }: Props) {
  const flows = useQuery(flowsQuery);
  const [chosen, setChosen] = useState(from);
  const { kind } = session.plan.flow.brief;
  if (flows.error) return <ProblemNote error={flows.error} onAgain={() => flows.refetch()} />;
  const offered = (flows.data ?? [])
    .filter((flow) => !flow.archived)
    .sort((a, b) => Number(b.brief.kind === kind) - Number(a.brief.kind === kind));
  return (
    <section aria-label="Flows" className="mt-3 rounded-box bg-base-200 px-5 py-4">
      <h2 className="text-xl">{say.startFromFlow}</h2>
      {!flows.data && <Waiting what={shared.openingLibrary} />}
      <ul className="mt-2 flex gap-3 overflow-x-auto pb-2">
        {offered.map((flow) => (
          <li key={flow.flow_id}>
            <Choice flow={flow} chosen={flow.flow_id === chosen} onChoose={() => setChosen(flow.flow_id)} />
          </li>
        ))}
      </ul>
      {chosen && (
        <Adapted
          key={chosen}
          session={session}
          flowId={chosen}
          onTake={() => changes.start(chosen).then(onDone, () => undefined)}
          onLeave={() => setChosen(null)}
        />
      )}
      <KeepAsFlow sessionId={session.session_id} />
    </section>
  );
}

function Choice({ flow, chosen, onChoose }: { flow: FlowView; chosen: boolean; onChoose(): void }) {
  return (
    <Button
      look="shape"
      aria-pressed={chosen}
      onClick={onChoose}
      className="w-52 rounded-box bg-base-100 px-4 py-3 text-left hover:bg-base-300 aria-pressed:bg-base-300"
    >
      <span className="block truncate font-bold">{flow.name}</span>
      <SmallTide sheet={flow.outline} width={176} height={44} />
      <span className="text-quiet">{shared.minutes(flow.brief.booked_minutes)}</span>
    </Button>
  );
}

interface AdaptedProps {
  session: SessionView;
  flowId: string;
  onTake(): void;
  onLeave(): void;
}

function Adapted({ session, flowId, onTake, onLeave }: AdaptedProps) {
  const catalogue = useCatalogue();
  const tried = useQuery({
    queryKey: ["start", session.session_id, session.revision, flowId],
    queryFn: () =>
      body<Start>(
        api.GET("/api/sessions/{session_id}/start", {
          params: { path: { session_id: session.session_id }, query: { flow_id: flowId } },
        }),
      ),
    retry: false,
  });
  if (tried.error) return <ProblemNote error={tried.error} />;
  if (!tried.data) return <Waiting what={say.adaptingItTo(session.client.name)} />;
  const { difference, named, evaluation, plan, name } = tried.data;
  const whole = (id: string) => catalogue.regions[id]?.whole ?? id;
  const whys = new Map(named.map((one) => [one.region, whyAdapted(one)]));
  const lines = changeLines(difference, whole);
  const eased = named.filter((one) => !difference.changes.some((change) => change.region === one.region));
  return (
    <div role="status" className="mt-4">
      <h3 className="text-lg">
        {say.forInMinutes(name, session.client.name, plan.flow.brief.booked_minutes)}
      </h3>
      <div className="mt-2 grid gap-x-10 gap-y-3 lg:grid-cols-[auto_1fr]">
        <SmallTide sheet={evaluation.sheet} width={420} height={72} />
        <div>
          {lines.length + eased.length === 0 && <p>{say.fitsAsItIs}</p>}
          <dl className="grid grid-cols-[auto_auto_1fr] gap-x-5 gap-y-1">
            {difference.changes.map((change, i) => (
              <div key={change.region} className="col-span-3 grid grid-cols-subgrid">
                <dt className="font-bold">{lines[i]?.region}</dt>
                <dd className="numbers">{lines[i]?.what}</dd>
                <dd>{whys.get(change.region)}</dd>
              </div>
            ))}
            {eased.map((one) => (
              <div key={one.region} className="col-span-3 grid grid-cols-subgrid">
                <dt className="font-bold">{capital(whole(one.region))}</dt>
                <dd>lighter</dd>
                <dd>{whyAdapted(one)}</dd>
              </div>
            ))}
          </dl>
          {keptWords(difference, whole).map((words) => (
            <p key={words} className="mt-1">
              {words}
            </p>
          ))}
        </div>
      </div>
      <div className="mt-3 flex flex-wrap gap-3">
        <Button look="main" onClick={onTake}>
          {say.useThisFlow}
        </Button>
        <Button className="bg-base-300" onClick={onLeave}>
          {shared.leaveItAsItIs}
        </Button>
      </div>
    </div>
  );
}
