import type { Catalogue, DayAnswer, SessionView } from "../api/client";
import { useCatalogue } from "../api/useCatalogue";
import { whatMoved } from "../phrases/plan/difference";
import { say } from "../phrases/screens/meeting";
import { capital, listed, placeName, placesNamed } from "../phrases/words";
import { placesOf } from "./places";

/** What was answered today, what it changed in the plan, and what the plan cannot obey. */
export function AnsweredToday({ session }: { session: SessionView }) {
  const catalogue = useCatalogue();
  const answer = session.day_answer;
  if (!answer) return null;
  const moved = session.difference
    ? whatMoved(session.difference, (id) => catalogue.regions[id]?.whole ?? id)
    : "";
  const stopped = session.evaluation.findings.filter((finding) => finding.severity === "refuse");
  return (
    <div role="status" aria-label="Answered today">
      <p className="font-bold">{answerWords(answer, catalogue)}</p>
      {moved && <p>{say.inPlan(moved)}</p>}
      {stopped.length > 0 && (
        <p className="text-accent">
          <span aria-hidden="true">△ </span>
          {say.planCannotObey} {stopped[0]?.what} {say.lookAtPlanFirst}
        </p>
      )}
    </div>
  );
}

function answerWords(answer: DayAnswer, catalogue: Catalogue): string {
  const { note, conditions = [], condition_places, excluded = [], headache } = answer;
  const named = (id: string) => {
    const name = capital(catalogue.conditions[id]?.name ?? id);
    const places = placesOf(condition_places, id);
    return places ? `${name}: ${placesNamed(places, catalogue)}` : name;
  };
  const parts = [
    note && `“${note}”`,
    excluded.length > 0 && say.keepOff(listed(excluded.map((one) => placeName(one, catalogue)))),
    ...conditions.map(named),
    headache && say.headacheAsked,
  ].filter(Boolean);
  return parts.length ? `${parts.join(". ")}.` : say.askedTodayNothingNew;
}
