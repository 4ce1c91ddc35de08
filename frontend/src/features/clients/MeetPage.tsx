import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "@tanstack/react-router";
import { useState } from "react";
import type { SessionView } from "../../api/client";
import { catalogueQuery, clientQuery, sessionQuery } from "../../api/queries";
import { AnsweredToday } from "../../meeting/AnsweredToday";
import { DayQuestion } from "../../meeting/DayQuestion";
import { LeftForNow } from "../../meeting/LeftForNow";
import { unplacedOf } from "../../meeting/unplaced";
import { useDayAnswer } from "../../meeting/useDayAnswer";
import { say } from "../../phrases/screens/clients/page";
import { shared } from "../../phrases/screens/shared";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { Knowing } from "./Knowing";

/** The first stage of a session: the question of the day, and all that is known of the client. */
export function MeetPage() {
  const { sessionId } = useParams({ from: "/in/framed/session/$sessionId/meet" });
  const session = useQuery(sessionQuery(sessionId));
  const clientId = session.data?.client.client_id;
  const client = useQuery({ ...clientQuery(clientId ?? ""), enabled: clientId !== undefined });
  const catalogue = useQuery(catalogueQuery);
  const error = session.error ?? client.error ?? catalogue.error;
  if (error) return <ProblemNote error={error} onAgain={() => client.refetch()} />;
  if (!session.data || !client.data || !catalogue.data)
    return <Waiting what={say.lookingUpClient} shape="columns" />;
  return (
    <Knowing client={client.data}>
      <Today session={session.data} />
    </Knowing>
  );
}

function Today({ session }: { session: SessionView }) {
  const answering = useDayAnswer(session);
  const [again, setAgain] = useState(false);
  const asks = session.day_answer === null || again || unplacedOf(session.evaluation.restrictions).length > 0;
  const worked = session.stage !== "plan";
  return (
    <section aria-label="Today" className="mt-4 max-w-4xl">
      <LeftForNow sessionId={session.session_id} stage="meet" />
      <AnsweredToday session={session} />
      {asks && !worked && (
        <DayQuestion
          key={unplacedOf(session.evaluation.restrictions).join()}
          session={session}
          busy={answering.isPending}
          words={[say.nothingNewToday, say.putItIntoPlan]}
          onAnswer={(answer, lasting) =>
            answering.mutate({ answer, lasting }, { onSuccess: () => setAgain(false) })
          }
        />
      )}
      {!asks && !worked && (
        <p className="mt-2 flex flex-wrap gap-2">
          <Link
            to="/session/$sessionId/plan"
            params={{ sessionId: session.session_id }}
            className="btn btn-primary min-h-11"
          >
            {shared.lookAtPlan}
          </Link>
          <Button look="quiet" onClick={() => setAgain(true)}>
            Ask again
          </Button>
        </p>
      )}
      {answering.error && <ProblemNote error={answering.error} />}
    </section>
  );
}
