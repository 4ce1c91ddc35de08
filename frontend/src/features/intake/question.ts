import type { IntakeAnswers, IntakeForm, IntakeQuestion } from "../../api/client";

/** What every kind of question is given. */
export interface AskedProps {
  question: IntakeQuestion;
  form: IntakeForm;
  answers: IntakeAnswers;
  onAnswer(change: Partial<IntakeAnswers>): void;
}
