import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, body, type LeftForNow as Left } from "../api/client";
import { followUpsQuery, meQuery } from "../api/queries";
import { say } from "../phrases/screens/meeting";
import { shortDay } from "../phrases/time";
import { capital } from "../phrases/words";
import { Tick } from "../ui/Tick";

interface Props {
  sessionId: string;
  stage: Left["stage"];
}

const HEADINGS: Record<Left["stage"], string> = {
  meet: say.toAskFromEarlierVisits,
  plan: say.wishedAtDoorEarlier,
  work: say.sorePointsLeft,
};

/** What earlier sessions left for this stage of the present one, to be ticked off here. */
export function LeftForNow({ sessionId, stage }: Props) {
  const queries = useQueryClient();
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const left = useQuery(followUpsQuery(sessionId)).data?.filter((one) => one.stage === stage) ?? [];
  const ticking = useMutation({
    mutationFn: ({ made_in, number, done }: Pick<Left, "made_in" | "number"> & { done: boolean }) =>
      body<Left[]>(
        api.PUT("/api/sessions/{session_id}/follow-ups/{made_in}/{number}", {
          params: { path: { session_id: sessionId, made_in, number } },
          body: { done },
        }),
      ),
    // Ticked at once; what the server says then stands.
    onMutate: ({ made_in, number, done }) => {
      const { queryKey } = followUpsQuery(sessionId);
      const before = queries.getQueryData(queryKey);
      queries.setQueryData(queryKey, (all) =>
        all?.map((one) =>
          one.made_in === made_in && one.number === number
            ? { ...one, done_at: done ? new Date().toISOString() : null }
            : one,
        ),
      );
      return before;
    },
    onError: (_error, _ticked, before) => queries.setQueryData(followUpsQuery(sessionId).queryKey, before),
    onSuccess: (now) => queries.setQueryData(followUpsQuery(sessionId).queryKey, now),
  });
  if (left.length === 0) return null;
  return (
    <section aria-label={HEADINGS[stage]} className="my-3 max-w-3xl">
      <h2 className="font-serif text-xl">{HEADINGS[stage]}</h2>
      <ul>
        {left.map((one) => (
          <li key={`${one.made_in} ${one.number}`}>
            <Tick
              checked={Boolean(one.done_at)}
              words={`${capital(one.words)} (${shortDay(one.made_at, timeZone, new Date())})`}
              onTick={(done) => ticking.mutate({ made_in: one.made_in, number: one.number, done })}
            />
          </li>
        ))}
      </ul>
      {ticking.error && <p role="alert">{say.thatCouldNotBeKept}</p>}
    </section>
  );
}
