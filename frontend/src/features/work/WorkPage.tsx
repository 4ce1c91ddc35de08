import { useQuery } from "@tanstack/react-query";
import { useParams } from "@tanstack/react-router";
import { catalogueQuery, sessionQuery } from "../../api/queries";
import { say } from "../../phrases/screens/work/page";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { AtTheTable } from "./AtTheTable";
import { BeforeTouch } from "./begin/BeforeTouch";
import { Over } from "./halt/Over";
import { useRun } from "./run/useRun";

/** The hour at the table, in the night room's colours. */
export function WorkPage() {
  const { sessionId } = useParams({ from: "/in/session/$sessionId/work" });
  const session = useQuery(sessionQuery(sessionId));
  const catalogue = useQuery(catalogueQuery);
  return (
    <main data-theme="nightroom" className="relative min-h-dvh bg-base-100 text-base-content">
      {session.error ? (
        <div className="p-8">
          <ProblemNote error={session.error} onAgain={() => session.refetch()} />
        </div>
      ) : session.data && catalogue.data ? (
        <Working session={session.data} />
      ) : (
        <div className="p-8">
          <Waiting what={say.bringingSessionToTable} />
        </div>
      )}
    </main>
  );
}

function Working(props: { session: NonNullable<Parameters<typeof useRun>[0]> }) {
  const { session } = props;
  const { run, ready, happen, unsent, refusal, keeps, clock } = useRun(session);
  if (!ready) return null;
  if (run.ended_at)
    return <Over session={session} unsent={unsent} refusal={refusal} halted={run.halted ?? null} />;
  if (!run.begun_at)
    return (
      <BeforeTouch
        session={session}
        onBegin={(news) => happen(() => ({ kind: "began", news, sheet_id: session.sheet_id }))}
      />
    );
  return (
    <AtTheTable
      session={session}
      run={run}
      happen={happen}
      clock={clock}
      unsent={unsent}
      keeps={keeps}
      refusal={refusal}
    />
  );
}
