import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, body, type FoundMachine, type Machines } from "../../../api/client";
import { machinesQuery } from "../../../api/machineQueries";
import { say } from "../../../phrases/screens/practice/machines";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";

/** Machines that answer, each to be paired by the code that it shows. */
export function PairMachine() {
  const searching = useMutation({
    mutationFn: () => body<FoundMachine[]>(api.POST("/api/machines/search")),
  });
  const found = searching.data ?? [];
  const free = found.filter(({ paired }) => !paired);
  return (
    <div className="mt-3">
      <Button disabled={searching.isPending} onClick={() => searching.mutate()}>
        {searching.isPending ? say.searching : say.searchForMachines}
      </Button>
      {searching.error && <ProblemNote error={searching.error} />}
      {searching.isSuccess && free.length === 0 && (
        <p role="status" className="mt-2">
          {found.length === 0 ? say.noneFound : say.allArePaired}
        </p>
      )}
      <ul className="mt-2 max-w-[44rem]">
        {free.map((machine) => (
          <li key={machine.port} className="border-t border-base-300 py-2">
            <Found machine={machine} onPaired={() => searching.mutate()} />
          </li>
        ))}
      </ul>
    </div>
  );
}

function Found({ machine, onPaired }: { machine: FoundMachine; onPaired(): void }) {
  const queries = useQueryClient();
  const [code, setCode] = useState("");
  const pairing = useMutation({
    mutationFn: () => body<Machines>(api.POST("/api/machines", { body: { port: machine.port, code } })),
    onSuccess: (now) => {
      queries.setQueryData(machinesQuery.queryKey, now);
      onPaired();
    },
  });
  return (
    <form
      className="flex flex-wrap items-center gap-x-4 gap-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        pairing.mutate();
      }}
    >
      <label className="flex flex-wrap items-center gap-3">
        {say.codeOf(machine.name)}
        <input
          className="input numbers min-h-11 w-28"
          inputMode="numeric"
          autoComplete="off"
          required
          pattern="[0-9]{6}"
          maxLength={6}
          value={code}
          onChange={(event) => setCode(event.target.value.trim())}
        />
      </label>
      <Button type="submit" disabled={pairing.isPending}>
        {say.pairIt}
      </Button>
      <span className="text-quiet">{say.atPort(machine.port)}</span>
      {pairing.error && <ProblemNote error={pairing.error} />}
    </form>
  );
}
