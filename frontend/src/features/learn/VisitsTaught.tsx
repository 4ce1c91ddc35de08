import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, body, type Catalogue, type Learnt } from "../../api/client";
import { meQuery } from "../../api/queries";
import { useCatalogue } from "../../api/useCatalogue";
import { say } from "../../phrases/screens/learn";
import { shared } from "../../phrases/screens/shared";
import { shortDay } from "../../phrases/time";
import { capital, listed, spoken } from "../../phrases/words";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { useCorrecting } from "./useCorrecting";

type Visit = Learnt["visits"][number];

/** How many visits stand open; the earlier ones are folded. */
const SHOWN = 3;

/** Every visit with what was said at it; an unusual one can be left out, with its reason, and put back. */
export function VisitsTaught({ learnt }: { learnt: Learnt }) {
  const catalogue = useCatalogue();
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const day = (at: string) => shortDay(at, timeZone, new Date());
  const visits = learnt.visits.toReversed();
  const row = (visit: Visit) => (
    <li key={visit.session_id}>
      <p className={visit.counts ? "" : "text-quiet"}>
        <span className="font-bold">{capital(day(visit.starts_at))}</span>
        {": "}
        {wordsOf(visit, catalogue)}
        {!visit.counts && say.leftOutBy(visit.by, visit.reason)}
      </p>
      <Mark clientId={learnt.client_id} visit={visit} />
    </li>
  );
  return (
    <section aria-label="Visits">
      <h2 className="text-2xl">{say.whatItRestsOn}</h2>
      {learnt.visits.length === 0 && <p className="mt-1">{say.noVisitYet}</p>}
      <ul className="mt-1 grid gap-2">{visits.slice(0, SHOWN).map(row)}</ul>
      {visits.length > SHOWN && (
        <details>
          <summary className="flex min-h-11 cursor-pointer items-center underline underline-offset-4">
            {say.earlierVisits(visits.length - SHOWN)}
          </summary>
          <ul className="grid gap-2">{visits.slice(SHOWN).map(row)}</ul>
        </details>
      )}
      {learnt.by_hand.length > 0 && (
        <>
          <h3 className="mt-4 font-serif text-xl">{say.setOrSaid}</h3>
          <ul>
            {learnt.by_hand.map((one) => (
              <li key={`${one.at} ${one.region}`}>
                {say.wishSetAt(
                  capital(day(one.at)),
                  catalogue.regions[one.region]?.whole ?? one.region,
                  one.depth,
                  one.reason && `, because ${one.reason}`,
                )}{" "}
                <span className="text-quiet">({one.by})</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

function wordsOf(visit: Visit, catalogue: Catalogue): string {
  if (visit.answers.length === 0) return say.nothingWasSaidOfPressure;
  const words = visit.answers.map((one) =>
    say.saidAtDepth(catalogue.regions[one.region]?.whole ?? one.region, one.depth, spoken(one.word)),
  );
  return `${listed(words)}.`;
}

function Mark({ clientId, visit }: { clientId: string; visit: Visit }) {
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState("");
  const marking = useCorrecting(clientId, (left_out: boolean) =>
    body<Learnt>(
      api.PUT("/api/clients/{client_id}/learnt/visits/{session_id}", {
        params: { path: { client_id: clientId, session_id: visit.session_id } },
        body: { left_out, reason: left_out ? reason : say.itCountsAfterAll },
      }),
    ),
  );
  if (!visit.counts)
    return (
      <Button
        look="quiet"
        className="px-2"
        disabled={marking.isPending}
        onClick={() => marking.mutate(false)}
      >
        {say.letItCountAgain}
      </Button>
    );
  if (!asking)
    return (
      <Button look="quiet" className="px-2 font-normal" onClick={() => setAsking(true)}>
        {say.thatVisitWasUnusual}
      </Button>
    );
  return (
    <form
      className="flex flex-wrap gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (reason.trim()) marking.mutate(true, { onSuccess: () => setAsking(false) });
      }}
    >
      <input
        className="input h-11 min-w-0 flex-1 text-base"
        aria-label={say.whyItWasUnusual}
        placeholder={say.whyItWasUnusual}
        required
        maxLength={400}
        value={reason}
        onChange={(event) => setReason(event.target.value)}
      />
      <Button type="submit" disabled={marking.isPending}>
        {shared.leaveItOut}
      </Button>
      {marking.error && <ProblemNote error={marking.error} />}
    </form>
  );
}
