import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, body, type SessionView } from "../../../api/client";
import { clientsQuery } from "../../../api/queries";
import { say } from "../../../phrases/screens/today/walkIn";
import { Button } from "../../../ui/Button";
import { OpenWord } from "../../../ui/OpenWord";
import { ProblemNote } from "../../../ui/ProblemNote";

/** A name for somebody who walked in: a new one, or a client of the practice; the log goes with it. */
export function NameWalkIn({ sessionId }: { sessionId: string }) {
  return (
    <OpenWord about={say.whoWasIt} panel={() => <NamePanel sessionId={sessionId} />}>
      {say.giveAName}
    </OpenWord>
  );
}

function NamePanel({ sessionId }: { sessionId: string }) {
  const queries = useQueryClient();
  const [typed, setTyped] = useState("");
  const name = typed.trim();
  const found = useQuery({ ...clientsQuery(name, false), enabled: name.length > 1 });
  const naming = useMutation({
    mutationFn: (given: { name?: string; client_id?: string }) =>
      body<SessionView>(
        api.PUT("/api/sessions/{session_id}/walk-in", {
          params: { path: { session_id: sessionId } },
          body: given,
        }),
      ),
    onSuccess: () => queries.invalidateQueries(),
  });
  return (
    <form
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (name) naming.mutate({ name });
      }}
    >
      <label>
        <b>{say.whoWasIt}</b> {say.nameThem}
        <input
          className="input mt-1 min-h-11 w-full"
          maxLength={120}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </label>
      {name.length > 1 &&
        found.data?.slice(0, 4).map(({ client_id, name: known }) => (
          <Button
            key={client_id}
            className="bg-base-300"
            disabled={naming.isPending}
            onClick={() => naming.mutate({ client_id })}
          >
            {say.itIs(known)}
          </Button>
        ))}
      <Button look="main" type="submit" disabled={!name || naming.isPending}>
        {say.addThem}
      </Button>
      {naming.error && <ProblemNote error={naming.error} />}
    </form>
  );
}
