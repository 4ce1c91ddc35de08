import { Link } from "@tanstack/react-router";
import type { DayAnswer, SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { AnsweredToday } from "../../../meeting/AnsweredToday";
import { DayQuestion } from "../../../meeting/DayQuestion";
import { type Caution, cautionsOf } from "../../../meeting/know";
import { LeftForNow } from "../../../meeting/LeftForNow";
import { unplacedOf } from "../../../meeting/unplaced";
import { useDayAnswer } from "../../../meeting/useDayAnswer";
import { shared } from "../../../phrases/screens/shared";
import { say } from "../../../phrases/screens/work/begin";
import { span } from "../../../phrases/time";
import { capital } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";

import { LiftTable } from "../machines/LiftTable";

interface Props {
  session: SessionView;
  onBegin(news: string): void;
}

/** The day's question, before anything is uncovered: without an answer nothing begins. */
export function BeforeTouch({ session, onBegin }: Props) {
  const answering = useDayAnswer(session);
  const cautions = cautionsOf(session.evaluation.restrictions);
  const refer = cautions.some(({ level }) => level === "refer");
  const answer = session.day_answer;
  function keep(answered: DayAnswer, lasting: boolean) {
    const { note, conditions, condition_places, excluded, headache } = answered;
    const told = [conditions, condition_places, excluded].some((list) => list?.length);
    const nothing = !note && !headache && !told;
    // With nothing new the plan is as it was, so the same tap begins.
    answering.mutate({ answer: answered, lasting }, { onSuccess: () => nothing && onBegin("") });
  }
  return (
    <div className="mx-auto flex min-h-dvh max-w-3xl flex-col justify-center gap-6 px-6 py-10">
      <Link
        to="/session/$sessionId/plan"
        params={{ sessionId: session.session_id }}
        className="min-h-11 self-start py-2 text-quiet underline"
      >
        {shared.backToPlan}
      </Link>
      <h1 className="text-5xl">{session.client.name}</h1>
      {session.unread_intake && (
        <Link
          to="/clients/$clientId/intake/$intakeId"
          params={{ clientId: session.client.client_id, intakeId: session.unread_intake }}
          className="text-2xl font-bold text-accent underline underline-offset-4"
        >
          <span aria-hidden="true">△ </span>
          {shared.readTheIntakeFirst}
        </Link>
      )}
      {session.client.know_first && (
        <p className="text-2xl font-bold text-accent">
          <span aria-hidden="true">△ </span>
          {session.client.know_first}
        </p>
      )}
      <HealthNotes cautions={cautions} />
      <LeftForNow sessionId={session.session_id} stage="work" />
      {!refer && <SetUp session={session} />}
      {refer && (
        <p role="alert" className="text-2xl">
          {say.noSessionToday}
        </p>
      )}
      {answer && unplacedOf(session.evaluation.restrictions).length === 0 ? (
        <div className="grid gap-5 text-xl">
          <AnsweredToday session={session} />
          {!refer && (
            <Button look="main" className="h-20 text-2xl" onClick={() => onBegin(answer.note ?? "")}>
              Begin
            </Button>
          )}
        </div>
      ) : (
        !refer && (
          <DayQuestion
            session={session}
            busy={answering.isPending}
            words={[say.nothingNewBegin, say.notedPutItIntoPlan]}
            large
            onAnswer={keep}
          />
        )
      )}
      {answering.error && <ProblemNote error={answering.error} />}
      <p className="text-quiet">{say.howLongAndCaution(span(session.evaluation.sheet.hands_on_seconds))}</p>
    </div>
  );
}

/** How the client lies or sits first, with what holds them up, and the question that goes with it. */
function SetUp({ session }: { session: SessionView }) {
  const catalogue = useCatalogue();
  const position = catalogue.positions[session.plan.flow.parts[0]?.position ?? ""];
  if (!position) return null;
  const first = session.evaluation.sheet.entries[0];
  return (
    <section aria-label={say.setUpFirst} className="text-xl">
      <h2 className="text-2xl">{capital(position.name)}</h2>
      {session.client.set_up && (
        <p className="font-bold">
          {say.asLastTime} {session.client.set_up}
        </p>
      )}
      <ul className="list-inside list-disc">
        {position.setup.map((line) => (
          <li key={line}>{capital(line)}</li>
        ))}
      </ul>
      <p className="italic">{say.comfortQuestion}</p>
      {first && <LiftTable entry={first} brief={session.plan.flow.brief} />}
    </section>
  );
}

/** What the client's health means for this session. */
function HealthNotes({ cautions }: { cautions: Caution[] }) {
  if (cautions.length === 0) return null;
  return (
    <ul className="text-xl">
      {cautions.map(({ level, words, means }) => (
        <li key={level + words}>
          <span className="font-bold text-accent">
            <span aria-hidden="true">△ </span>
            {words}:
          </span>{" "}
          {means}
        </li>
      ))}
    </ul>
  );
}
