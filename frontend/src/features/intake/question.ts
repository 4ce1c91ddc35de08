import type { IntakeAnswers, IntakeForm, Question } from "../../api/client";

/** What every kind of question is given. */
export interface AskedProps {
  question: Question;
  form: IntakeForm;
  answers: IntakeAnswers;
  onAnswer(change: Partial<IntakeAnswers>): void;
}
