import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useParams } from "@tanstack/react-router";
import { useState } from "react";
import { api, body, type IntakeReview } from "../../api/client";
import { intakeQuery, meQuery } from "../../api/queries";
import { say } from "../../phrases/screens/clients/page";
import { dayAndTime } from "../../phrases/time";
import { capital } from "../../phrases/words";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";

type Item = IntakeReview["items"][number];
type Verdicts = Record<string, { verdict: "accepted" | "questioned" | "settled"; note?: string }>;

/** A handed-in intake: each answer with what it means for a session, taken into the record or to be asked about. */
export function ReviewPage() {
  const { clientId, intakeId } = useParams({ from: "/in/framed/clients/$clientId/intake/$intakeId" });
  const queries = useQueryClient();
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const review = useQuery(intakeQuery(intakeId));
  const judging = useMutation({
    scope: { id: `intake ${intakeId}` },
    mutationFn: (verdicts: Verdicts) =>
      body<IntakeReview>(
        api.POST("/api/intakes/{intake_id}/verdicts", {
          params: { path: { intake_id: intakeId } },
          body: {
            verdicts: Object.fromEntries(
              Object.entries(verdicts).map(([id, one]) => [id, { note: "", ...one }]),
            ),
          },
        }),
      ),
    onSuccess: (judged) => {
      queries.setQueryData(intakeQuery(intakeId).queryKey, judged);
      for (const key of ["client", "clients", "session", "day", "history"])
        queries.invalidateQueries({ queryKey: [key] });
    },
  });
  if (review.error) return <ProblemNote error={review.error} onAgain={() => review.refetch()} />;
  if (!review.data) return <Waiting what={say.readingIntake} shape="list" />;
  const { items, client_name, handed_in_at, reviewed_at } = review.data;
  const open = items.filter(({ judged }) => !judged);
  // What is grave is read one by one.
  const plain = open.filter(({ item }) => item.level === "adapt" || item.level === "note");
  return (
    <>
      <h1 className="text-3xl">{say.whatWrote(client_name)}</h1>
      <p className="text-quiet">
        {say.handedInSentence(
          dayAndTime(handed_in_at, timeZone, new Date()),
          reviewed_at ? "All read." : `${open.length} of ${items.length} still to read.`,
        )}
      </p>
      <p className="mt-2 max-w-[75ch]">{say.whatAcceptingDoes}</p>
      {judging.error && <ProblemNote error={judging.error} />}
      {items.length === 0 && <p className="mt-4">{say.nothingWasAnswered}</p>}
      <ul aria-label="Answers" className="mt-4">
        {items
          .filter(({ item }) => item.level !== "note")
          .map((one) => (
            <Answer key={one.item.id} one={one} busy={judging.isPending} onJudge={judging.mutate} />
          ))}
      </ul>
      <ul aria-label={say.wishesAndWords} className="grid gap-x-12 xl:grid-cols-2">
        {items
          .filter(({ item }) => item.level === "note")
          .map((one) => (
            <Answer key={one.item.id} one={one} busy={judging.isPending} onJudge={judging.mutate} narrow />
          ))}
      </ul>
      <div className="sticky bottom-0 mt-2 flex flex-wrap gap-3 border-t border-base-300 bg-base-100 py-3">
        {plain.length > 0 && (
          <Button
            look="main"
            disabled={judging.isPending}
            onClick={() =>
              judging.mutate(Object.fromEntries(plain.map(({ item }) => [item.id, { verdict: "accepted" }])))
            }
          >
            {plain.length === open.length
              ? say.acceptAll(plain.length)
              : say.acceptAllButMarked(open.length - plain.length)}
          </Button>
        )}
        <Link to="/clients/$clientId" params={{ clientId }} className="btn min-h-11">
          {say.to(client_name)}
        </Link>
      </div>
    </>
  );
}

const MARKS = { refer: "△ No session: ", ask: "△ ", adapt: "○ ", note: "" } as const;

interface AnswerProps {
  one: Item;
  busy: boolean;
  narrow?: boolean;
  onJudge(verdicts: Verdicts): void;
}

function Answer({ one, busy, narrow, onJudge }: AnswerProps) {
  const { item, judged } = one;
  const [asking, setAsking] = useState(false);
  const [note, setNote] = useState("");
  const grave = item.level === "refer" || item.level === "ask";
  return (
    <li
      className={`grid content-start gap-x-6 gap-y-1 border-t border-base-300 py-2 ${narrow ? "sm:grid-cols-[1fr_auto]" : "lg:grid-cols-[15rem_1fr_auto]"}`}
    >
      <p className={`font-bold ${grave ? "text-accent" : ""} ${narrow ? "sm:hidden" : ""}`}>
        <span aria-hidden="true">{MARKS[item.level]}</span>
        {capital(item.about)}
      </p>
      <div>
        <p>
          {narrow && <span className="mr-2 font-bold max-sm:hidden">{capital(item.about)}</span>}“
          {item.answer}”{item.before && <span className="text-quiet"> {say.onRecord(item.before)}</span>}
        </p>
        {item.means && <p className="text-quiet">{item.means}</p>}
        {judged?.note && <p className="italic">{say.youAsk(judged.note)}</p>}
      </div>
      <div className="flex flex-wrap items-start gap-2">
        {judged ? (
          <>
            <span className="py-2 text-quiet">{VERDICTS[judged.verdict]}</span>
            {judged.verdict === "questioned" && (
              <>
                <VerdictButton
                  words="Accept"
                  about={item.about}
                  busy={busy}
                  onPress={() => onJudge({ [item.id]: { verdict: "accepted" } })}
                />
                <VerdictButton
                  words={say.askedLeftOut}
                  about={item.about}
                  busy={busy}
                  onPress={() => onJudge({ [item.id]: { verdict: "settled" } })}
                />
              </>
            )}
          </>
        ) : asking ? (
          <form
            className="flex flex-wrap gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              onJudge({ [item.id]: { verdict: "questioned", note: note.trim() } });
            }}
          >
            <input
              className="input min-h-11 w-52"
              aria-label={say.whatToAskAbout(item.about)}
              placeholder={say.whatToAsk}
              maxLength={400}
              value={note}
              onChange={(event) => setNote(event.target.value)}
            />
            <Button type="submit" disabled={busy}>
              {say.toBeAsked}
            </Button>
          </form>
        ) : (
          <>
            <VerdictButton
              words="Accept"
              about={item.about}
              busy={busy}
              onPress={() => onJudge({ [item.id]: { verdict: "accepted" } })}
            />
            <VerdictButton
              words="Question it"
              about={item.about}
              busy={busy}
              onPress={() => setAsking(true)}
            />
          </>
        )}
      </div>
    </li>
  );
}

const VERDICTS = { accepted: "accepted", questioned: say.toBeAskedInLine, settled: say.leftOutAfterAsking };

function VerdictButton(props: { words: string; about: string; busy: boolean; onPress(): void }) {
  return (
    <Button aria-label={`${props.words}: ${props.about}`} disabled={props.busy} onClick={props.onPress}>
      {props.words}
    </Button>
  );
}
