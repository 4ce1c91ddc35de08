import { useQuery } from "@tanstack/react-query";
import { useParams } from "@tanstack/react-router";
import { useState } from "react";
import type { Catalogue, SessionView } from "../../api/client";
import { catalogueQuery, clientQuery, sessionQuery } from "../../api/queries";
import { AnsweredToday } from "../../meeting/AnsweredToday";
import { DayQuestion } from "../../meeting/DayQuestion";
import { LeftForNow } from "../../meeting/LeftForNow";
import { useDayAnswer } from "../../meeting/useDayAnswer";
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
  if (!session.data || !client.data || !catalogue.data) return <Waiting what="Looking up the client" />;
  return (
    <Knowing client={client.data} catalogue={catalogue.data}>
      <Today session={session.data} catalogue={catalogue.data} />
    </Knowing>
  );
}

function Today({ session, catalogue }: { session: SessionView; catalogue: Catalogue }) {
  const answering = useDayAnswer(session);
  const [again, setAgain] = useState(false);
  const asks = session.day_answer === null || again;
  const worked = session.stage !== "plan";
  return (
    <section aria-label="Today" className="mt-6 max-w-3xl">
      <LeftForNow sessionId={session.session_id} stage="meet" />
      <AnsweredToday session={session} catalogue={catalogue} />
      {asks && !worked && (
        <DayQuestion
          sessionId={session.session_id}
          catalogue={catalogue}
          answered={session.day_answer ?? null}
          busy={answering.isPending}
          words={["Nothing new today", "Put it into the plan"]}
          onAnswer={(answer, lasting) =>
            answering.mutate({ answer, lasting }, { onSuccess: () => setAgain(false) })
          }
        />
      )}
      {!asks && !worked && (
        <button type="button" className="btn btn-ghost min-h-11" onClick={() => setAgain(true)}>
          Ask again
        </button>
      )}
      {answering.error && <ProblemNote error={answering.error} />}
    </section>
  );
}
