import { useQuery } from "@tanstack/react-query";
import { useParams } from "@tanstack/react-router";
import type { LogView } from "../../api/client";
import { catalogueQuery, logQuery, meQuery } from "../../api/queries";
import { say } from "../../phrases/screens/log";
import { span, timeOfDay } from "../../phrases/time";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { LogForm } from "./LogForm";
import { SignedLog } from "./SignedLog";

export function LogPage() {
  const { sessionId } = useParams({ from: "/in/framed/session/$sessionId/log" });
  const page = useQuery(logQuery(sessionId));
  const catalogue = useQuery(catalogueQuery);
  const error = page.error ?? catalogue.error;
  if (error) return <ProblemNote error={error} onAgain={() => page.refetch()} />;
  if (!page.data || !catalogue.data) return <Waiting what={say.readingLog} shape="columns" />;
  if (!page.data.session.run.ended_at) return <NotYet begun={Boolean(page.data.session.run.begun_at)} />;
  return <Logged page={page.data} />;
}

function NotYet({ begun }: { begun: boolean }) {
  return (
    <div className="mt-6 max-w-prose rounded-box bg-base-200 px-7 py-8">
      <h2 className="text-2xl">{begun ? say.sessionIsStillUnderWay : say.nothingToLogYet}</h2>
      <p className="mt-2">{say.afterItHasEnded}</p>
    </div>
  );
}

function Logged({ page }: { page: LogView }) {
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  return (
    <>
      <Summary page={page} timeZone={timeZone} />
      {page.signed_by ? (
        <SignedLog page={page} timeZone={timeZone} />
      ) : (
        <LogForm key={page.revision} page={page} timeZone={timeZone} />
      )}
    </>
  );
}

function Summary({ page, timeZone }: { page: LogView; timeZone: string }) {
  const { run } = page.session;
  const { sheet } = page.session.evaluation;
  const taken = Object.values(run.taken).reduce((sum, seconds) => sum + seconds, 0);
  return (
    <p className="text-lg">
      {run.begun_at && run.ended_at && (
        <>{say.workedFromTo(timeOfDay(run.begun_at, timeZone), timeOfDay(run.ended_at, timeZone))} </>
      )}
      {span(taken)} of {span(sheet.seconds)} planned.
      {run.news && <> {say.newThatDay(run.news)}</>}
      {page.odd_times ? <> {say.oddTimes(page.odd_times)}</> : null}
      {run.halted != null && (
        <span className="font-bold text-accent"> {say.stoppedEarly(run.halted && `: ${run.halted}`)}</span>
      )}
    </p>
  );
}
