import { useQuery } from "@tanstack/react-query";
import type { WalkInQuestions } from "../../../api/client";
import { walkInQuestionsQuery } from "../../../api/dayQueries";
import { catalogueQuery } from "../../../api/queries";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/today/walkIn";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Waiting } from "../../../ui/Waiting";
import { Clashes } from "../Clashes";
import { HealthAsked } from "./HealthAsked";
import { KindAndLength } from "./KindAndLength";
import { TouchAsked } from "./TouchAsked";
import { useAnswers } from "./useAnswers";
import { useWalkIn } from "./useWalkIn";

/** Somebody without a record: a few questions on one screen, and the work begins. */
export function WalkInPage() {
  const questions = useQuery(walkInQuestionsQuery);
  const catalogue = useQuery(catalogueQuery);
  const error = questions.error ?? catalogue.error;
  if (error) return <ProblemNote error={error} onAgain={() => questions.refetch()} />;
  if (!questions.data || !catalogue.data) return <Waiting what={say.openingQuestions} />;
  return <WalkInForm questions={questions.data} />;
}

function WalkInForm({ questions }: { questions: WalkInQuestions }) {
  const catalogue = useCatalogue();
  const { answers, change } = useAnswers(questions.kind);
  const walkIn = useWalkIn();
  const stops = answers.conditions.flatMap((id) => {
    const one = catalogue.conditions[id];
    return one?.level === "refer" ? [one] : [];
  });
  const { conditions, excluded, consents, weeks } = answers;
  const nothing = conditions.length + excluded.length + consents.length === 0 && weeks === null;
  return (
    <form
      aria-label={say.walkIn}
      onSubmit={(event) => {
        event.preventDefault();
        walkIn.begin(answers, questions);
      }}
    >
      <h1 className="mt-2 text-4xl">{say.walkIn}</h1>
      <KindAndLength answers={answers} onChange={change} />
      <HealthAsked asked={questions.conditions} answers={answers} onChange={change} />
      <TouchAsked asked={questions.consents} answers={answers} onChange={change} />
      {stops.map(({ id, says }) => (
        <p key={id} role="alert" className="mt-3 text-lg">
          <b className="text-accent">△ {say.noSessionNow}</b> {says}
        </p>
      ))}
      {walkIn.clashes.length > 0 && (
        <div className="mt-3">
          <Clashes clashes={walkIn.clashes} />
        </div>
      )}
      {walkIn.error && <ProblemNote error={walkIn.error} />}
      <Button
        look="main"
        type="submit"
        className="sticky bottom-3 z-10 mt-5 h-16 px-8 text-xl shadow-lg max-sm:w-full"
        disabled={walkIn.busy || stops.length > 0}
      >
        {walkIn.busy
          ? say.planningNow
          : walkIn.clashes.length > 0
            ? say.beginAnyway
            : nothing
              ? say.nothingBegin
              : say.planAndBegin}
      </Button>
    </form>
  );
}
