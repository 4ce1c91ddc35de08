import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { useState } from "react";
import { type Arrival, api, type BroughtIn, body, type Table } from "../../../api/client";
import { readFile } from "../../../lib/readFile";
import { say } from "../../../phrases/screens/clients/exchange";
import { Button } from "../../../ui/Button";
import { FileInput } from "../../../ui/form/FileInput";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Arrivals } from "./Arrivals";
import { fieldsOf, kindOf } from "./brought";
import { MatchColumns } from "./MatchColumns";

interface Brought {
  name: string;
  text: string;
  table: Table | null;
}

/** Clients from elsewhere: a file of contacts, its columns matched, every line looked at, then all or none. */
export function BringInPage() {
  const queries = useQueryClient();
  const [brought, setBrought] = useState<Brought | null>(null);
  const [matching, setMatching] = useState<Record<string, string>>({});
  const [leftOut, setLeftOut] = useState<ReadonlySet<number>>(new Set());
  const sent = (text: string, fields: Record<string, string>) => ({
    kind: kindOf(text),
    text,
    matching: fields as Record<string, "name">,
  });
  const looking = useMutation({
    mutationFn: ({ text, fields }: { text: string; fields: Record<string, string> }) =>
      body<Arrival[]>(api.POST("/api/clients-in/preview", { body: sent(text, fields) })),
    onSuccess: (lines) =>
      setLeftOut(new Set(lines.filter(({ outcome }) => outcome !== "new").map(({ line }) => line))),
  });
  const reading = useMutation({
    mutationFn: async (file: File) => {
      const text = await readFile(file);
      const table =
        kindOf(text) === "table"
          ? await body<Table>(api.POST("/api/clients-in/columns", { body: { text } }))
          : null;
      return { name: file.name, text, table };
    },
    onSuccess: (read) => {
      const fields = read.table ? fieldsOf(read.table) : {};
      setBrought(read);
      setMatching(fields);
      looking.mutate({ text: read.text, fields });
    },
  });
  const taking = useMutation({
    mutationFn: ({ text }: { text: string }) =>
      body<BroughtIn>(
        api.POST("/api/clients-in", { body: { ...sent(text, matching), leave_out: [...leftOut] } }),
      ),
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: ["clients"] });
      setBrought(null);
      looking.reset();
    },
  });
  function match(column: number, field: string) {
    const fields = { ...matching };
    if (field) fields[column] = field;
    else delete fields[column];
    setMatching(fields);
    if (brought) looking.mutate({ text: brought.text, fields });
  }
  const count = (looking.data ?? []).filter(({ line }) => !leftOut.has(line)).length;
  return (
    <>
      <h1 className="text-3xl">{say.bringClientsIn}</h1>
      <p className="mt-1 max-w-[70ch]">{say.whatMayBeBroughtIn}</p>
      {taking.data && (
        <p role="status" className="mt-4 text-lg">
          {taking.data.added === 1 ? say.oneClientWasAdded : say.clientsWereAdded(taking.data.added)}{" "}
          <Link to="/clients" className="underline underline-offset-4">
            {say.toClients}
          </Link>
        </p>
      )}
      <FileInput
        accept=".vcf,.csv,.txt,text/vcard,text/csv"
        onFile={(file) => {
          taking.reset();
          reading.mutate(file);
        }}
      />
      {reading.error && <ProblemNote error={reading.error} />}
      {brought?.table && <MatchColumns table={brought.table} matching={matching} onMatch={match} />}
      {looking.error && <ProblemNote error={looking.error} />}
      {brought && looking.data && (
        <>
          <Arrivals
            lines={looking.data}
            leftOut={leftOut}
            onLeaveOut={(line, out) => {
              const lines = new Set(leftOut);
              if (out) lines.add(line);
              else lines.delete(line);
              setLeftOut(lines);
            }}
          />
          {taking.error && <ProblemNote error={taking.error} />}
          <Button
            look="main"
            className="mt-4"
            disabled={taking.isPending || looking.isPending || count === 0}
            onClick={() => taking.mutate({ text: brought.text })}
          >
            {taking.isPending ? "Adding …" : count === 1 ? say.addOneClient : say.addClients(count)}
          </Button>
        </>
      )}
    </>
  );
}
