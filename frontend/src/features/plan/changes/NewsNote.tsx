import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, body, type SessionView } from "../../../api/client";
import { sessionQuery } from "../../../api/queries";
import { useCatalogue } from "../../../api/useCatalogue";
import { DifferenceList } from "../../../compare/DifferenceList";
import { whatChanged } from "../../../phrases/known";
import { say } from "../../../phrases/screens/plan/changes";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { tryBrief } from "./tryBrief";
import type { PlanChanges } from "./usePlanChanges";

interface Props {
  session: SessionView;
  changes: PlanChanges;
}

/** What became known of the client, or is done otherwise in the practice, since the plan was made: what it would change, taken or left. */
export function NewsNote({ session, changes }: Props) {
  const catalogue = useCatalogue();
  const queries = useQueryClient();
  const params = { path: { session_id: session.session_id } };
  const brief = session.house_brief ?? session.plan.flow.brief;
  const trying = useMutation({ mutationFn: () => tryBrief(session.session_id, brief) });
  const looked = useMutation({
    mutationFn: () => body<SessionView>(api.POST("/api/sessions/{session_id}/looked-at", { params })),
    onSuccess: (seen) => queries.setQueryData(sessionQuery(session.session_id).queryKey, seen),
  });
  const problem = trying.error ?? looked.error;
  const { news = [], house_news = [] } = session;
  if (news.length + house_news.length === 0) return null;
  return (
    <section aria-label={say.newSincePlan} className="mt-4 rounded-box bg-base-200 px-6 py-4">
      <h2 className="text-xl">{say.knownSincePlan}</h2>
      <ul className="mt-1">
        {news.map((known) => (
          <New key={`${known.at}${known.change.field}${known.change.item}`}>
            {whatChanged(known, catalogue)}
          </New>
        ))}
        {house_news.map((change) => (
          <New key={change.item}>{say.practiceWorksOtherwise(change.says, change.person_name)}</New>
        ))}
      </ul>
      {trying.data && (
        <div role="status" className="mt-3">
          <DifferenceList difference={trying.data.difference} />
        </div>
      )}
      {problem && <ProblemNote error={problem} />}
      <div className="mt-3 flex flex-wrap gap-3">
        {trying.data ? (
          <Button look="main" onClick={() => changes.fit(brief).catch(() => undefined)}>
            {say.takeItIntoPlan}
          </Button>
        ) : (
          <Button look="main" disabled={trying.isPending} onClick={() => trying.mutate()}>
            {trying.isPending ? "Planning …" : say.seeWhatItChanges}
          </Button>
        )}
        <Button className="bg-base-300" onClick={() => looked.mutate()}>
          {say.planIsRight}
        </Button>
      </div>
    </section>
  );
}

function New({ children }: { children: string }) {
  return (
    <li>
      <span aria-hidden="true" className="text-accent">
        △{" "}
      </span>
      {children}
    </li>
  );
}
