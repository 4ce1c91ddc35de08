import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, body, type CalendarFeed, type NewFeed } from "../../api/client";
import { calendarFeedQuery } from "../../api/practiceQueries";
import { say } from "../../phrases/screens/account";
import { dayAndTime } from "../../phrases/time";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { Section } from "../../ui/Section";
import { Tick } from "../../ui/Tick";
import { Waiting } from "../../ui/Waiting";

/** A private address at which another calendar reads one's own sessions: made, shown once, deleted. */
export function OwnCalendar({ timeZone }: { timeZone: string }) {
  const queries = useQueryClient();
  const feed = useQuery(calendarFeedQuery);
  const keep = (now: CalendarFeed) => queries.setQueryData(calendarFeedQuery.queryKey, now);
  const making = useMutation({
    mutationFn: (names: boolean) => body<NewFeed>(api.POST("/api/calendar-feed", { body: { names } })),
    onSuccess: keep,
  });
  const naming = useMutation({
    mutationFn: (names: boolean) => body<CalendarFeed>(api.PUT("/api/calendar-feed", { body: { names } })),
    onSuccess: keep,
  });
  const withdrawing = useMutation({
    mutationFn: () => body<CalendarFeed>(api.DELETE("/api/calendar-feed")),
    onSuccess: (now) => {
      making.reset();
      keep(now);
    },
  });
  const error = making.error ?? naming.error ?? withdrawing.error ?? feed.error;
  const { made_at, names = false } = feed.data ?? {};
  return (
    <Section narrow title={say.yourCalendar} intro={say.whatFeedIs}>
      {feed.isPending && <Waiting what={say.openingAccount} />}
      {made_at && !making.data && (
        <p className="mt-2">{say.addressSince(dayAndTime(made_at, timeZone, new Date()))}</p>
      )}
      {making.data && <NewAddress path={making.data.path} />}
      {made_at && (
        <Tick checked={names} words={say.clientNamesThere} onTick={(shown) => naming.mutate(shown)} />
      )}
      <p className="mt-2 flex flex-wrap gap-2">
        <Button disabled={!feed.data || making.isPending} onClick={() => making.mutate(names)}>
          {made_at ? say.newAddress : say.makeAddress}
        </Button>
        {made_at && <Button onClick={() => withdrawing.mutate()}>{say.withdrawAddress}</Button>}
      </p>
      {made_at && !making.data && <p className="text-quiet">{say.oldAddressStops}</p>}
      {withdrawing.isSuccess && !made_at && <p role="status">{say.addressDeleted}</p>}
      {error && <ProblemNote error={error} />}
    </Section>
  );
}

function NewAddress({ path }: { path: string }) {
  const address = `${location.origin}${path}`;
  return (
    <div role="status" className="mt-3">
      <p>{say.shownOnce}</p>
      <div className="mt-1 flex flex-wrap gap-2">
        <input
          className="input min-h-11 min-w-0 grow"
          aria-label={say.address}
          readOnly
          value={address}
          onFocus={(event) => event.target.select()}
        />
        <Button onClick={() => navigator.clipboard?.writeText(address)}>Copy</Button>
      </div>
    </div>
  );
}
