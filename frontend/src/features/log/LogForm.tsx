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
import { LogFrame } from "./LogFrame";

interface Props {
  page: LogView;
  timeZone: string;
}

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
    <form aria-label={say.logOf(page.session.client.name)} onSubmit={keep(true)} className="mt-2">
      <LogFrame
        page={page}
        table={<DoneTable done={page.done} field={(region) => register(`suited.${region}`)} />}
      >
        <div>
          <Words label={say.whatToChangeNextTime} field={register("nextTime")} />
          <Words label="What happened" field={register("note")} />
          <Words label={say.whatClientSaid} field={register("clientWords")} />
        </div>
        <div>
          <fieldset className="mb-1">
            <legend className="font-bold">{say.saidForHoursAfter}</legend>
            {AFTERCARE.map((words, index) => (
              <label key={words} className="flex min-h-11 cursor-pointer items-center gap-3 leading-tight">
                <input type="checkbox" className="checkbox" {...register(`aftercare.${index}`)} />
                {words}
              </label>
            ))}
          </fieldset>
          <Line label={say.wishedAtDoor} field={register("doorWish")} />
          <Line label={say.questionForTheirOwnClinician} field={register("forClinician")} />
          <Line label={say.whenTheyWishToCome} field={register("nextBooking")} />
        </div>
      </LogFrame>
      {saving.error && <ProblemNote error={saving.error} />}
      <div className="sticky bottom-0 z-10 mt-2 flex flex-wrap items-center justify-end gap-x-4 gap-y-1 border-t border-base-300 bg-base-100 py-2">
        <p role="status" className="text-quiet max-sm:w-full">
          {formState.isDirty
            ? say.notKeptYet
            : page.logged_at && say.keptAtNotSigned(timeOfDay(page.logged_at, timeZone))}
        </p>
        <Button look="quiet" disabled={saving.isPending} onClick={keep(false)}>
          {say.keepItSignLater}
        </Button>
        <Button look="main" type="submit" className="h-12 px-6 text-lg" disabled={saving.isPending}>
          {saving.isPending ? "Saving …" : say.signLog}
        </Button>
      </div>
    </form>
  );
}

function Words({ label, field }: { label: string; field: object }) {
  return (
    <label className="mb-2 block">
      <span className="block font-bold">{label}</span>
      <textarea
        className="textarea min-h-16 w-full field-sizing-content max-h-48 text-base leading-snug"
        rows={2}
        maxLength={4000}
        {...field}
      />
    </label>
  );
}

function Line({ label, field }: { label: string; field: object }) {
  return (
    <label className="mb-2 block">
      <span className="block font-bold">{label}</span>
      <input className="input h-11 w-full text-base" maxLength={400} {...field} />
    </label>
  );
}
