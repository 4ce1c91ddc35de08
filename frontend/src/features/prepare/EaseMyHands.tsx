import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { easingsQuery } from "../../api/besideQueries";
import { api, body, type EasedDay, type SessionView } from "../../api/client";
import { say } from "../../phrases/screens/prepare";
import { dayInWords, span } from "../../phrases/time";
import { capital } from "../../phrases/words";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";

type Easing = EasedDay["easings"][number];

/** What would spare the hands on this day, or in the week from it on: found by trying, taken with one tap, taken back with one. */
export function EaseMyHands({ day }: { day: string | null }) {
  const queries = useQueryClient();
  const [asked, setAsked] = useState<"day" | "week" | null>(null);
  const found = useQuery({ ...easingsQuery(day, asked === "week"), enabled: asked !== null });
  const settle = () =>
    Promise.all(
      ["easings", "day", "preparation", "session"].map((key) =>
        queries.invalidateQueries({ queryKey: [key] }),
      ),
    );
  const taking = useMutation({
    mutationFn: ({ session_id, revision, edits, brief }: Easing) => {
      const params = { path: { session_id } };
      return body<SessionView>(
        brief
          ? api.PUT("/api/sessions/{session_id}/brief", { params, body: { revision, brief, anew: true } })
          : api.POST("/api/sessions/{session_id}/edits", { params, body: { revision, edits: [...edits] } }),
      );
    },
    onSettled: settle,
  });
  const undoing = useMutation({
    mutationFn: ({ session_id, revision }: SessionView) =>
      body<SessionView>(
        api.POST("/api/sessions/{session_id}/undo", { params: { path: { session_id } }, body: { revision } }),
      ),
    onSuccess: () => taking.reset(),
    onSettled: settle,
  });
  const error = found.error ?? taking.error ?? undoing.error;
  return (
    <section aria-label={say.easeMyHands} className="mt-6">
      <h2 className="text-2xl">{say.easeMyHands}</h2>
      <p className="mt-1 flex flex-wrap gap-2">
        {(["day", "week"] as const).map((reach) => (
          <Button key={reach} aria-pressed={asked === reach} onClick={() => setAsked(reach)}>
            {reach === "day" ? say.findWhatHelps : say.findForWeek}
          </Button>
        ))}
      </p>
      {asked && found.isPending && <Waiting what={asked === "day" ? say.tryingChanges : say.tryingWeek} />}
      {found.data?.days === 1 && (
        <p>{say.thumbsNow(span(found.data.now.thumb_seconds), span(found.data.now.thumb_budget_seconds))}</p>
      )}
      {taking.data && (
        <p role="status" className="my-2 flex flex-wrap items-center gap-x-3">
          {say.easingTaken(taking.data.client.name)}
          <Button look="quiet" disabled={undoing.isPending} onClick={() => undoing.mutate(taking.data)}>
            Undo
          </Button>
        </p>
      )}
      {found.data?.easings.length === 0 && (
        <p>{found.data.days === 1 ? say.nothingEases : say.nothingEasesWeek}</p>
      )}
      <ul>
        {found.data?.easings.map((one) => (
          <li
            key={one.session_id}
            className="flex flex-wrap items-center justify-between gap-x-6 gap-y-1 border-t border-base-300 py-2"
          >
            <div className="min-w-0 flex-1 basis-72">
              <p className="font-bold">
                {found.data.days > 1 && `${dayInWords(one.day)}, `}
                {one.client_name}: {one.words}
              </p>
              <p>
                <span className="text-quiet">{one.notice}</span> {gains(one)}
              </p>
            </div>
            <Button disabled={taking.isPending} onClick={() => taking.mutate(one)}>
              {say.doIt}
            </Button>
          </li>
        ))}
      </ul>
      {error && <ProblemNote error={error} />}
    </section>
  );
}

/** What the day loses by it. */
function gains({ before: now, after }: Easing): string {
  const thumbs = now.thumb_seconds - after.thumb_seconds;
  const [before, then] = [now.strain.toFixed(1), after.strain.toFixed(1)];
  const said = [
    ...(thumbs > 0 ? [say.lessThumbs(span(thumbs))] : []),
    ...(before === then ? [] : [say.strainOfDay(before, then)]),
  ];
  return said.length > 0 ? `${capital(said.join("; "))}.` : "";
}
