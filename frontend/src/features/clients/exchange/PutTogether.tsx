import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, body, type ClientInList, type ClientPage } from "../../../api/client";
import { clientQuery, clientsQuery } from "../../../api/queries";
import { say } from "../../../phrases/screens/clients/exchange";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { useSteady } from "../../../ui/useSteady";

/** Two entries of one person become one; the other's visits and all that was told come here. */
export function PutTogether({ client }: { client: ClientPage }) {
  const queries = useQueryClient();
  const [typed, setTyped] = useState(client.record.name.split(" ")[0] ?? "");
  const [other, setOther] = useState<ClientInList | null>(null);
  const found = useQuery(clientsQuery(typed.trim(), true));
  const merging = useMutation({
    mutationFn: (other_id: string) =>
      body<ClientPage>(
        api.POST("/api/clients/{client_id}/merge", {
          params: { path: { client_id: client.client_id } },
          body: { other: other_id },
        }),
      ),
    onSuccess: (merged) => {
      queries.setQueryData(clientQuery(client.client_id).queryKey, merged);
      for (const key of ["clients", "session", "day", "history"])
        queries.invalidateQueries({ queryKey: [key] });
      setOther(null);
    },
  });
  const { shown, steady } = useSteady(found.data ?? []);
  const others = shown.filter((one) => one.client_id !== client.client_id).slice(0, 6);
  if (other)
    return (
      <div className="max-w-[70ch]">
        <p>
          <span className="font-bold">{other.name}</span> {say.willBeMergedInto}{" "}
          <span className="font-bold">{client.record.name}</span>
          {say.visitsIntakesAndAllThat}
        </p>
        <div className="mt-3 flex flex-wrap gap-3">
          <Button look="warn" disabled={merging.isPending} onClick={() => merging.mutate(other.client_id)}>
            {say.mergeRecords}
          </Button>
          <Button className="bg-base-100" onClick={() => setOther(null)}>
            {say.keepBothRecords}
          </Button>
        </div>
        {merging.error && <ProblemNote error={merging.error} />}
      </div>
    );
  return (
    <div>
      {merging.data && <p role="status">{say.merged(merging.data.visits.length)}</p>}
      <input
        type="search"
        className="input min-h-11 w-full sm:w-96"
        aria-label={say.otherEntry}
        placeholder={say.otherEntry}
        maxLength={80}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      <ul className="mt-2" aria-label="Other records" {...steady}>
        {others.map((one) => (
          <li key={one.client_id}>
            <Button look="quiet" onClick={() => setOther(one)}>
              {one.name}
              {one.phone && <span className="text-quiet">{one.phone}</span>}
            </Button>
          </li>
        ))}
      </ul>
      {others.length === 0 && found.data && <p className="text-quiet">{say.noOtherOfThatName}</p>}
    </div>
  );
}
