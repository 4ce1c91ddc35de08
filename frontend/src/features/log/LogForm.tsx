import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { api, body, type Log, type LogView } from "../../api/client";
import { logQuery, sessionQuery } from "../../api/queries";
import { say } from "../../phrases/screens/log";
import { timeOfDay } from "../../phrases/time";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { DoneTable } from "./DoneTable";
import { AFTERCARE, type Fields, filled, toLog } from "./fields";

interface Props {
  page: LogView;
  timeZone: string;
}

/** The form's id: it can be sent from above it as well. */
export const LOG_FORM = "log-form";

/** The log, already filled in: an untroubled session takes one tap to sign. */
export function LogForm({ page, timeZone }: Props) {
  const queries = useQueryClient();
  const sessionId = page.session.session_id;
  const { register, handleSubmit, formState } = useForm<Fields>({ defaultValues: filled(page) });
  const saving = useMutation({
    mutationFn: ({ log, sign }: { log: Log; sign: boolean }) =>
      body<LogView>(
        api.PUT("/api/sessions/{session_id}/log", {
          params: { path: { session_id: sessionId } },
          body: { revision: page.revision, log, sign },
        }),
      ),
    onSuccess: (saved, { sign }) => {
      queries.setQueryData(logQuery(sessionId).queryKey, saved);
      queries.setQueryData(sessionQuery(sessionId).queryKey, saved.session);
      queries.invalidateQueries({ queryKey: ["day"] });
      if (!sign) return;
      // What was learnt from it is news for the client's page and for plans that stand.
      for (const key of ["client", "learnt", "session"]) queries.invalidateQueries({ queryKey: [key] });
    },
  });
  const keep = (sign: boolean) => handleSubmit((fields) => saving.mutate({ log: toLog(fields), sign }));
  return (
    <form
      id={LOG_FORM}
      onSubmit={keep(true)}
      className="mt-6 grid gap-10 lg:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]"
    >
      <DoneTable done={page.done} field={(region) => register(`suited.${region}`)} />
      <div>
        <Words label="What happened" rows={4} field={register("note")} />
        <Words label={say.whatClientSaid} rows={2} field={register("clientWords")} />
        <Words label={say.whatToChangeNextTime} rows={3} field={register("nextTime")} />
        <fieldset className="mb-4">
          <legend className="mb-1 font-bold">{say.saidForHoursAfter}</legend>
          {AFTERCARE.map((words, index) => (
            <label key={words} className="flex min-h-11 cursor-pointer items-center gap-3">
              <input type="checkbox" className="checkbox" {...register(`aftercare.${index}`)} />
              {words}
            </label>
          ))}
        </fieldset>
        <Line label={say.wishedAtDoorForNext} field={register("doorWish")} />
        <Line label={say.questionForTheirOwnClinician} field={register("forClinician")} />
        <Line label={say.whenTheyWishToCome} field={register("nextBooking")} />
        {saving.error && <ProblemNote error={saving.error} />}
        <Button look="main" type="submit" className="mt-2 h-14 w-full text-xl" disabled={saving.isPending}>
          {saving.isPending ? "Keeping it …" : say.signLog}
        </Button>
        <Button look="quiet" className="mt-2 w-full" disabled={saving.isPending} onClick={keep(false)}>
          {say.keepItSignLater}
        </Button>
        <p role="status" className="mt-2 text-quiet">
          {formState.isDirty
            ? say.notKeptYet
            : page.logged_at && say.keptAtNotSigned(timeOfDay(page.logged_at, timeZone))}
        </p>
      </div>
    </form>
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

function Line({ label, field }: { label: string; field: object }) {
  return (
    <label className="mb-3 block">
      <span className="mb-1 block font-bold">{label}</span>
      <input className="input h-11 w-full text-base" maxLength={400} {...field} />
    </label>
  );
}
