import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import {
  type Attendance,
  api,
  body,
  type Clash,
  type ClashKind,
  clashesOf,
  kindsOf,
  type SessionOnDay,
  type SessionView,
} from "../../../api/client";
import { say } from "../../../phrases/screens/today/booking";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Clashes } from "../Clashes";
import type { Done } from "../done";

/** Whether the client comes, with a word about it; each can be taken back. */
export function AttendanceAsked({ session, onDone }: { session: SessionOnDay; onDone(done: Done): void }) {
  const queries = useQueryClient();
  const [note, setNote] = useState(session.attendance_note);
  const [clashes, setClashes] = useState<readonly Clash[]>([]);
  const telling = useMutation({
    mutationFn: (attendance: Attendance) =>
      tell(session, session.revision, { attendance, note, accepted: kindsOf(clashes) }),
    onSuccess: ({ revision }, attendance) =>
      onDone({
        words: say.told(session.client_name, attendance),
        undo: () =>
          tell(session, revision, { attendance: session.attendance, note: session.attendance_note }),
      }),
    onError: (error) => setClashes(clashesOf(error)),
    onSettled: () => queries.invalidateQueries({ queryKey: ["day"] }),
  });
  const begun = session.stage !== "plan";
  const choices: [Attendance, string][] = [
    ["late", say.cameLate],
    ...(begun
      ? []
      : ([
          ["did_not_come", say.didNotCome],
          ["cancelled", say.cancelSession],
        ] as [Attendance, string][])),
  ];
  return (
    <fieldset className="grid gap-2">
      <legend className="font-bold">{say.willTheyCome}</legend>
      <input
        className="input min-h-11 w-full"
        aria-label={say.aWord}
        placeholder={say.aWord}
        maxLength={200}
        value={note}
        onChange={(event) => setNote(event.target.value)}
      />
      <span className="flex flex-wrap gap-2">
        {choices
          .filter(([attendance]) => attendance !== session.attendance)
          .map(([attendance, words]) => (
            <Button
              key={attendance}
              className="bg-base-300"
              disabled={telling.isPending}
              onClick={() => telling.mutate(attendance)}
            >
              {words}
            </Button>
          ))}
        {session.attendance !== "expected" && (
          <Button look="main" disabled={telling.isPending} onClick={() => telling.mutate("expected")}>
            {clashes.length > 0 ? say.comesAnyway : say.comesAfterAll}
          </Button>
        )}
      </span>
      {clashes.length > 0 ? (
        <Clashes clashes={clashes} />
      ) : (
        telling.error && <ProblemNote error={telling.error} />
      )}
    </fieldset>
  );
}

interface Told {
  attendance: Attendance;
  note: string;
  accepted?: ClashKind[];
}

function tell(session: SessionOnDay, revision: number, told: Told): Promise<SessionView> {
  const note = told.attendance === "expected" ? "" : told.note;
  return body<SessionView>(
    api.PUT("/api/sessions/{session_id}/attendance", {
      params: { path: { session_id: session.session_id } },
      body: { accepted: [], ...told, revision, note },
    }),
  );
}
