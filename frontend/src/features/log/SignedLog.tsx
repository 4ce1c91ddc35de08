import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { useState } from "react";
import { api, body, type LogView } from "../../api/client";
import { logQuery } from "../../api/queries";
import { say } from "../../phrases/screens/log";
import { dayAndTime } from "../../phrases/time";
import { depthWord } from "../../phrases/words";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { DoneTable } from "./DoneTable";
import { LogFrame } from "./LogFrame";

interface Props {
  page: LogView;
  timeZone: string;
}

/** A signed log: to be read, taken along, and added to; changed no more. */
export function SignedLog({ page, timeZone }: Props) {
  const { session_id: sessionId } = page.session;
  const { log } = page;
  const lines: [string, string | undefined][] = [
    [say.whatToChangeNextTime, log?.next_time],
    ["What happened", log?.note],
    [say.whatClientSaid, log?.client_words],
    [say.saidForHoursAfter, log?.aftercare?.join("; ")],
    [say.wishedAtDoor, log?.door_wish],
    [say.forTheirOwnClinician, log?.for_clinician],
    ["Comes again", log?.next_booking],
  ];
  return (
    <LogFrame
      page={page}
      table={
        <DoneTable
          done={page.done}
          read={(region) => {
            const depth = log?.suited?.[region];
            return depth ? `${depth}, ${depthWord[depth]}` : "not known";
          }}
        />
      }
    >
      <div className="grid content-start gap-4 desk:col-span-2">
        <p className="font-bold">
          Signed by {page.signed_by}, {page.logged_at && dayAndTime(page.logged_at, timeZone, new Date())}.
        </p>
        <dl className="grid gap-x-8 gap-y-2 desk:grid-cols-2">
          {lines.map(
            ([label, words]) =>
              words && (
                <div key={label}>
                  <dt className="text-quiet">{label}</dt>
                  <dd className="whitespace-pre-line">{words}</dd>
                </div>
              ),
          )}
        </dl>
        {page.late && page.late.length > 0 && (
          <p role="note">
            {say.cameAfterSigning(
              page.late.length,
              dayAndTime(page.late[page.late.length - 1]?.received_at ?? "", timeZone, new Date()),
            )}
          </p>
        )}
        <Additions page={page} timeZone={timeZone} />
        <div className="flex flex-wrap gap-3">
          <a className="btn min-h-11" href={`/api/sessions/${sessionId}/log.pdf`}>
            {say.asPaperPdf}
          </a>
          <a className="btn min-h-11" href={`/api/sessions/${sessionId}/log.json`}>
            {say.forOtherProgramsJson}
          </a>
          <Link to="/session/$sessionId/aftercare" params={{ sessionId }} className="btn min-h-11">
            Aftercare
          </Link>
          <Link to="/session/$sessionId/learn" params={{ sessionId }} className="btn btn-primary min-h-11">
            {say.whatItTaught}
          </Link>
        </div>
      </div>
    </LogFrame>
  );
}

function Additions({ page, timeZone }: { page: LogView; timeZone: string }) {
  const queries = useQueryClient();
  const { session_id: sessionId } = page.session;
  const [words, setWords] = useState("");
  const adding = useMutation({
    mutationFn: () =>
      body<LogView>(
        api.POST("/api/sessions/{session_id}/log/additions", {
          params: { path: { session_id: sessionId } },
          body: { words },
        }),
      ),
    onSuccess: (saved) => {
      queries.setQueryData(logQuery(sessionId).queryKey, saved);
      setWords("");
    },
  });
  return (
    <section aria-label="Additions">
      {page.additions.length > 0 && (
        <ul className="mb-3 grid gap-2">
          {page.additions.map((added) => (
            <li key={added.at}>
              <span className="text-quiet">
                {say.addedBy(dayAndTime(added.at, timeZone, new Date()), added.by)}{" "}
              </span>
              {added.words}
            </li>
          ))}
        </ul>
      )}
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (words.trim()) adding.mutate();
        }}
      >
        <input
          className="input h-11 min-w-0 flex-1 text-base"
          aria-label={say.addToLog}
          placeholder={say.addToLog}
          maxLength={4000}
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
        <Button type="submit" disabled={adding.isPending}>
          {say.addWithDate}
        </Button>
      </form>
      {adding.error && <ProblemNote error={adding.error} />}
    </section>
  );
}
