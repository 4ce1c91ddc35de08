import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { useState } from "react";
import { api, body, type ClientPage, type Erased } from "../../../api/client";
import { meQuery } from "../../../api/queries";
import { say } from "../../../phrases/screens/clients/exchange";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";

/** What is kept of a client, for the client: to read, for another program, for an address book. */
export function TakeOut({ client }: { client: ClientPage }) {
  const mayExport = useQuery(meQuery).data?.may.includes("read_cards");
  const files = [
    [`/api/clients/${client.client_id}/record.pdf`, say.recordAsPaper],
    [`/api/clients/${client.client_id}/record.json`, say.recordAsData],
    ...(mayExport
      ? ([[`/api/clients-out/cards?client_id=${client.client_id}`, say.contactAsCard]] as const)
      : []),
  ] as const;
  return (
    <>
      <p>{say.rightToTheRecord}</p>
      <ul className="mt-2">
        {files.map(([href, words]) => (
          <li key={href}>
            <a
              href={href}
              download
              className="inline-flex min-h-11 items-center underline underline-offset-4"
            >
              {words}
            </a>
          </li>
        ))}
      </ul>
    </>
  );
}

/** Takes everything of a client away, for good, and says what that was. */
export function Erase({ client }: { client: ClientPage }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [name, setName] = useState("");
  const erasing = useMutation({
    mutationFn: () =>
      body<Erased>(
        api.POST("/api/clients/{client_id}/erase", {
          params: { path: { client_id: client.client_id } },
          body: { name },
        }),
      ),
    onSuccess: async ({ name: gone, counts }) => {
      const erased = say.erased(gone, counted(counts));
      await navigate({ to: "/clients", state: { erased } });
      for (const key of ["client", "session", "history"]) queries.removeQueries({ queryKey: [key] });
      for (const key of ["clients", "day"]) queries.invalidateQueries({ queryKey: [key] });
    },
  });
  return (
    <form
      aria-label={say.eraseThisPerson}
      onSubmit={(event) => {
        event.preventDefault();
        erasing.mutate();
      }}
    >
      <p className="max-w-[70ch]">{say.whatErasingDoes}</p>
      <label className="mt-3 block">
        <span className="text-quiet">{say.typeNameToErase(client.record.name)}</span>
        <input
          className="input mt-1 block min-h-11 w-full sm:w-96"
          maxLength={120}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <Button look="warn" type="submit" className="mt-3" disabled={erasing.isPending || name.trim() === ""}>
        {say.eraseThisPerson}
      </Button>
      {erasing.error && <ProblemNote error={erasing.error} />}
    </form>
  );
}

const NOUNS: Record<string, [string, string]> = {
  sessions: ["session", "sessions"],
  logs: ["log", "logs"],
  events: ["tap", "taps"],
  intakes: ["intake", "intakes"],
  changes: [say.lineOfHistory, say.linesOfHistory],
};

/** `3 sessions, 2 logs, 140 taps`. */
export function counted(counts: Record<string, number>): string {
  const words = Object.entries(NOUNS).flatMap(([kind, [one, many]]) => {
    const count = counts[kind] ?? 0;
    return count ? [`${count} ${count === 1 ? one : many}`] : [];
  });
  return words.length ? words.join(", ") : say.nothingButTheEntry;
}
