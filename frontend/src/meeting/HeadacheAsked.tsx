import { useQuery } from "@tanstack/react-query";
import { useId } from "react";
import type { Headache } from "../api/client";
import { headacheQuery, headacheQuestionsQuery } from "../api/queries";
import { say } from "../phrases/screens/meeting";
import { Button } from "../ui/Button";
import { Option } from "../ui/Option";
import { ProblemNote } from "../ui/ProblemNote";
import { Waiting } from "../ui/Waiting";

interface Props {
  sessionId: string;
  /** What has been answered so far. */
  answers: Partial<Headache>;
  onAnswer(answers: Partial<Headache>): void;
  onRemove(): void;
}

/** Whether all three questions have an answer. */
export function isAnswered(answers: Partial<Headache>): answers is Headache {
  return Boolean(answers.where && answers.since && answers.how);
}

/** A headache: where, since when and how, and what that means for the session. */
export function HeadacheAsked({ sessionId, answers, onAnswer, onRemove }: Props) {
  const questions = useQuery(headacheQuestionsQuery);
  const group = useId();
  if (questions.error) return <ProblemNote error={questions.error} onAgain={() => questions.refetch()} />;
  if (!questions.data) return <Waiting what={say.openingQuestions} />;
  return (
    <section aria-label={say.headache} className="rounded-box bg-base-100 p-4 outline outline-base-300">
      <div className="flex items-center justify-between">
        <h3 className="text-xl">{say.headache}</h3>
        <Button look="quiet" aria-label={say.removeHeadache} onClick={onRemove}>
          Remove
        </Button>
      </div>
      <div className="mt-1 grid gap-4 lg:grid-cols-3">
        {questions.data.map(({ id, asks, options }) => (
          <fieldset key={id} className="grid content-start gap-1.5">
            <legend className="mb-1 font-bold">{asks}</legend>
            {options.map(({ value, reads }) => (
              <Option
                key={value}
                name={`${group} ${id}`}
                words={reads}
                checked={answers[id] === value}
                onCheck={() => onAnswer({ ...answers, [id]: value })}
              />
            ))}
          </fieldset>
        ))}
      </div>
      {isAnswered(answers) ? (
        <Verdict sessionId={sessionId} headache={answers} />
      ) : (
        <p className="mt-3 text-quiet">{say.answerAllThree}</p>
      )}
    </section>
  );
}

function Verdict({ sessionId, headache }: { sessionId: string; headache: Headache }) {
  const verdict = useQuery(headacheQuery(sessionId, headache));
  if (verdict.error) return <ProblemNote error={verdict.error} onAgain={() => verdict.refetch()} />;
  if (!verdict.data) return <Waiting what={say.whatItMeans} />;
  const { level, says } = verdict.data;
  return (
    <p role="status" aria-label={say.whatItMeans} className="mt-3 text-lg">
      <span aria-hidden="true" className={level === "refer" ? "text-accent" : ""}>
        {level === "refer" ? "△" : "○"}{" "}
      </span>
      <span className={level === "refer" ? "font-bold text-accent" : ""}>{says}</span>
    </p>
  );
}
