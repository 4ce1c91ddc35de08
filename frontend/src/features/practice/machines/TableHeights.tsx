import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, body, type TableHeights as Heights, type Machines } from "../../../api/client";
import { machinesQuery } from "../../../api/machineQueries";
import { inFeet } from "../../../api/manner";
import { fromTableUnit, inTableUnit } from "../../../phrases/measures";
import { say } from "../../../phrases/screens/practice/machines";
import { Button } from "../../../ui/Button";
import { NumberEntry } from "../../../ui/form/NumberEntry";
import { ProblemNote } from "../../../ui/ProblemNote";

/** What a table can be set to, in cm. */
const LEAST = 40;
const MOST = 110;

/** The two heights at which one works; a lift table offers them at the table. */
export function TableHeights({ heights }: { heights: Heights }) {
  const queries = useQueryClient();
  const [low, setLow] = useState(String(inTableUnit(heights.low_cm ?? 0)));
  const [high, setHigh] = useState(String(inTableUnit(heights.high_cm ?? 0)));
  const keeping = useMutation({
    mutationFn: (wanted: Heights) => body<Machines>(api.PUT("/api/machines/heights", { body: wanted })),
    onSuccess: (now) => queries.setQueryData(machinesQuery.queryKey, now),
  });
  const wanted = { low_cm: fromTableUnit(Number(low)), high_cm: fromTableUnit(Number(high)) };
  const crossed = wanted.low_cm > wanted.high_cm;
  const unit = inFeet() ? "in" : "cm";
  const [least, most] = [inTableUnit(LEAST), inTableUnit(MOST)];
  return (
    <form
      className="mt-5"
      onSubmit={(event) => {
        event.preventDefault();
        keeping.mutate(wanted);
      }}
    >
      <h3 className="text-xl">{say.yourHeights}</h3>
      <p className="max-w-prose">{say.whatHeightsAre}</p>
      <div className="mt-2 flex flex-wrap items-center gap-x-6 gap-y-2">
        <NumberEntry label={say.low(unit)} value={low} least={least} most={most} onType={setLow} />
        <NumberEntry label={say.high(unit)} value={high} least={least} most={most} onType={setHigh} />
        <Button type="submit" disabled={keeping.isPending || crossed}>
          Save
        </Button>
      </div>
      {crossed && (
        <p role="alert" className="mt-1 text-accent">
          {say.lowIsAboveHigh}
        </p>
      )}
      {keeping.error && <ProblemNote error={keeping.error} />}
    </form>
  );
}
