import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, body, type OwnPaceView } from "../api/client";
import { ownPaceQuery } from "../api/queries";
import { useCatalogue } from "../api/useCatalogue";
import { paceWords } from "../phrases/learning";
import { say } from "../phrases/screens/learn";
import { capital } from "../phrases/words";
import { Button } from "../ui/Button";
import { ProblemNote } from "../ui/ProblemNote";

/** How many strokes are listed: those with the most samples. */
const LISTED = 12;

/** The therapist's own pace by stroke, beside the usual one: shown at once, used by the clock when accepted. */
export function OwnPace() {
  const catalogue = useCatalogue();
  const queries = useQueryClient();
  const pace = useQuery(ownPaceQuery);
  const [confirmed, setConfirmed] = useState<ReadonlySet<string>>(new Set());
  const changing = useMutation({
    mutationFn: (use: boolean) =>
      body<OwnPaceView>(
        use ? api.PUT("/api/own-pace", { body: { confirmed: [...confirmed] } }) : api.DELETE("/api/own-pace"),
      ),
    onSuccess: (now) => {
      queries.setQueryData(ownPaceQuery.queryKey, now);
      // The clock of every session to come is another one.
      for (const key of ["session", "day", "learnt"]) queries.invalidateQueries({ queryKey: [key] });
    },
  });
  if (pace.error) return <ProblemNote error={pace.error} onAgain={() => pace.refetch()} />;
  if (!pace.data) return null;
  const { learnt, sessions, in_use: inUse, accepted_at: acceptedAt } = pace.data;
  const strokes = learnt
    .filter(({ key }) => !key.includes("/"))
    .toSorted((a, b) => b.samples - a.samples)
    .slice(0, LISTED);
  return (
    <section aria-label={say.yourOwnPace}>
      <h2 className="text-2xl">{say.yourOwnPace}</h2>
      <p className="mt-1 text-quiet">
        {strokes.length === 0
          ? say.paceNotKnown
          : `${say.fromSessions(sessions)} ${acceptedAt ? say.plansGoByIt : say.clockGoesByUsualPace}`}
      </p>
      {strokes.length > 0 && (
        <details>
          <summary className="flex min-h-11 cursor-pointer items-center underline underline-offset-4">
            {say.strokeByStroke}
          </summary>
          <table className="mt-2 w-full">
            <thead className="text-left text-quiet">
              <tr>
                <th className="font-normal">Stroke</th>
                <th className="font-normal">{say.besideUsualPace}</th>
                <th className="text-right font-normal">Times</th>
              </tr>
            </thead>
            <tbody>
              {strokes.map((one) => (
                <tr key={one.key} className="border-t border-base-300">
                  <th scope="row" className="py-1 text-left font-normal">
                    {capital(catalogue.strokes[one.key]?.name ?? one.key)}
                  </th>
                  <td>
                    {paceWords(one.factor)}
                    {one.key in inUse && <span className="text-quiet">, in use</span>}
                    {!one.trusted && (
                      <label className="flex min-h-11 items-center gap-2">
                        <input
                          type="checkbox"
                          className="checkbox"
                          checked={confirmed.has(one.key)}
                          onChange={(event) => {
                            const chosen = new Set(confirmed);
                            if (event.target.checked) chosen.add(one.key);
                            else chosen.delete(one.key);
                            setConfirmed(chosen);
                          }}
                        />
                        {say.useItThoughOdd}
                      </label>
                    )}
                  </td>
                  <td className="numbers text-right">{one.samples}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <Button className="mt-3" disabled={changing.isPending} onClick={() => changing.mutate(true)}>
            {acceptedAt ? say.updateMyPace : say.useMyPace}
          </Button>
          {acceptedAt && (
            <Button
              look="quiet"
              className="mt-3"
              disabled={changing.isPending}
              onClick={() => changing.mutate(false)}
            >
              {say.backToUsualPace}
            </Button>
          )}
          {changing.error && <ProblemNote error={changing.error} />}
        </details>
      )}
    </section>
  );
}
