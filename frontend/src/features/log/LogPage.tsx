import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useParams } from "@tanstack/react-router";
import { useForm } from "react-hook-form";
import { api, body, type Catalogue, type Log, type LogView } from "../../api/client";
import { catalogueQuery, logQuery, meQuery, sessionQuery } from "../../api/queries";
import { span, timeOfDay } from "../../lib/time";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { DoneTable } from "./DoneTable";

export function LogPage() {
  const { sessionId } = useParams({ from: "/in/framed/session/$sessionId/log" });
  const page = useQuery(logQuery(sessionId));
  const catalogue = useQuery(catalogueQuery);
  const error = page.error ?? catalogue.error;
  if (error) return <ProblemNote error={error} onAgain={() => page.refetch()} />;
  if (!page.data || !catalogue.data) return <Waiting what="Reading the log" />;
  if (!page.data.session.run.ended_at) return <NotYet begun={Boolean(page.data.session.run.begun_at)} />;
  return <LogForm key={page.data.revision} page={page.data} catalogue={catalogue.data} />;
}

function NotYet({ begun }: { begun: boolean }) {
  return (
    <div className="mt-6 max-w-prose rounded-box bg-base-200 px-7 py-8">
      <h2 className="text-2xl">{begun ? "The session is still under way." : "Nothing to log yet."}</h2>
      <p className="mt-2">
        When it has ended in Work, what was done is already here; you only confirm it and add your words.
      </p>
    </div>
  );
}

interface Fields {
  suited: Record<string, string>;
  note: string;
  nextTime: string;
}

function LogForm({ page, catalogue }: { page: LogView; catalogue: Catalogue }) {
  const queries = useQueryClient();
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const sessionId = page.session.session_id;
  const { register, handleSubmit, formState } = useForm<Fields>({ defaultValues: filled(page) });
  const saving = useMutation({
    mutationFn: (log: Log) =>
      body<LogView>(
        api.PUT("/api/sessions/{session_id}/log", {
          params: { path: { session_id: sessionId } },
          body: { revision: page.revision, log },
        }),
      ),
    onSuccess: (saved) => {
      queries.setQueryData(logQuery(sessionId).queryKey, saved);
      queries.setQueryData(sessionQuery(sessionId).queryKey, saved.session);
      queries.invalidateQueries({ queryKey: ["day"] });
    },
  });
  return (
    <form onSubmit={handleSubmit((fields) => saving.mutate(toLog(fields)))}>
      <Summary page={page} timeZone={timeZone} />
      <div className="mt-4 grid gap-10 lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
        <DoneTable done={page.done} catalogue={catalogue} field={(region) => register(`suited.${region}`)} />
        <div>
          <Words label="What happened, what was said" rows={6} field={register("note")} />
          <Words label="What to change next time" rows={4} field={register("nextTime")} />
          {saving.error && <ProblemNote error={saving.error} />}
          <button
            type="submit"
            className="btn btn-primary mt-4 h-14 w-full text-xl"
            disabled={saving.isPending}
          >
            {saving.isPending ? "Saving …" : page.log ? "Save the changes" : "Save the log"}
          </button>
          <p role="status" className="mt-2 text-quiet">
            {page.logged_at && !formState.isDirty && `Logged at ${timeOfDay(page.logged_at, timeZone)}.`}
            {formState.isDirty && "Not saved yet."}
          </p>
        </div>
      </div>
    </form>
  );
}

/** What was saved, or else what the run says. */
function filled(page: LogView): Fields {
  const suited = page.log
    ? page.log.suited
    : Object.fromEntries(page.done.map((region) => [region.region, region.suited ?? undefined]));
  return {
    suited: Object.fromEntries(
      page.done.map((region) => [region.region, suited?.[region.region]?.toString() ?? ""]),
    ),
    note: page.log?.note ?? "",
    nextTime: page.log?.next_time ?? "",
  };
}

function toLog(fields: Fields): Log {
  const suited = Object.entries(fields.suited)
    .filter(([, depth]) => depth)
    .map(([region, depth]) => [region, Number(depth)] as const);
  return { suited: Object.fromEntries(suited), note: fields.note, next_time: fields.nextTime };
}

function Summary({ page, timeZone }: { page: LogView; timeZone: string }) {
  const { run } = page.session;
  const { sheet } = page.session.evaluation;
  const taken = Object.values(run.taken).reduce((sum, seconds) => sum + seconds, 0);
  return (
    <p className="text-lg">
      {run.begun_at && run.ended_at && (
        <>
          Worked from {timeOfDay(run.begun_at, timeZone)} to {timeOfDay(run.ended_at, timeZone)}:{" "}
        </>
      )}
      {span(taken)} of {span(sheet.seconds)} planned.
      {run.news && <> New that day: {run.news}.</>}
    </p>
  );
}

function Words({ label, rows, field }: { label: string; rows: number; field: object }) {
  return (
    <label className="mb-4 block">
      <span className="mb-1 block font-bold">{label}</span>
      <textarea className="textarea w-full text-base" rows={rows} maxLength={4000} {...field} />
    </label>
  );
}
