import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, body, kindsOf, type Repeat, type SessionOnDay, type SessionView } from "../../../api/client";
import { repeatTrialQuery } from "../../../api/dayQueries";
import { say } from "../../../phrases/screens/today/booking";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { RepeatPanel } from "../adding/RepeatPanel";
import { Clashes } from "../Clashes";
import type { Done } from "../done";

/** A session that stands, booked again every so many weeks: shown first with what does not fit, then stored. */
export function RepeatSession({ session, onDone }: { session: SessionOnDay; onDone(done: Done): void }) {
  const queries = useQueryClient();
  const [repeat, setRepeat] = useState<Repeat | null>(null);
  const trial = useQuery({
    ...repeatTrialQuery(session.session_id, repeat as Repeat),
    enabled: repeat !== null,
  });
  const clashes = trial.data?.clashes ?? [];
  const storing = useMutation({
    mutationFn: (again: Repeat) =>
      body<SessionView>(
        api.POST("/api/sessions/{session_id}/repeat", {
          params: { path: { session_id: session.session_id } },
          body: { revision: session.revision, repeat: again, accepted: kindsOf(clashes) },
        }),
      ),
    onSuccess: (_view, again) =>
      onDone({
        words: say.repeated(session.client_name, again),
        undo: () =>
          api.DELETE("/api/sessions/{session_id}/repeat", {
            params: { path: { session_id: session.session_id } },
          }),
      }),
    onSettled: () => queries.invalidateQueries({ queryKey: ["day"] }),
  });
  return (
    <fieldset className="grid gap-2">
      <legend className="font-bold">{say.repeatIt}</legend>
      <RepeatPanel repeat={repeat} onTake={setRepeat} />
      {repeat && trial.isPending && <span role="status">{`${say.looking} …`}</span>}
      {repeat && trial.data && (
        <>
          <span>{say.alsoAt(trial.data.starts)}</span>
          {clashes.length > 0 && <Clashes clashes={clashes} />}
          <Button
            look="main"
            className="justify-self-start"
            disabled={storing.isPending}
            onClick={() => storing.mutate(repeat)}
          >
            {clashes.length > 0 ? say.bookAnyway : say.book}
          </Button>
        </>
      )}
      {trial.error && <ProblemNote error={trial.error} />}
      {storing.error && <ProblemNote error={storing.error} />}
    </fieldset>
  );
}
