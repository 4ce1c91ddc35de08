import { useCatalogue } from "../../../api/useCatalogue";
import { shared } from "../../../phrases/screens/shared";
import { capital } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import type { AnswersPart } from "./useAnswers";

/** What is worked and for how long, each with one tap. */
export function KindAndLength({ answers, onChange }: AnswersPart) {
  const catalogue = useCatalogue();
  const kinds = Object.values(catalogue.kinds).filter(({ offered, open_ended }) => offered && !open_ended);
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2">
      {kinds.map(({ id, name }) => (
        <Choice
          key={id}
          chosen={id === answers.kind}
          onChoose={() =>
            onChange({ kind: id, minutes: catalogue.usual_briefs[id]?.booked_minutes ?? answers.minutes })
          }
        >
          {capital(name)}
        </Choice>
      ))}
      <span className="w-4 max-sm:h-0 max-sm:basis-full" />
      {catalogue.kinds[answers.kind]?.usual_minutes?.map((minutes) => (
        <Choice key={minutes} chosen={minutes === answers.minutes} onChoose={() => onChange({ minutes })}>
          {shared.min(minutes)}
        </Choice>
      ))}
    </div>
  );
}

function Choice(props: { chosen: boolean; children: string; onChoose(): void }) {
  return (
    <Button
      className="bg-base-300 aria-pressed:bg-primary aria-pressed:text-primary-content"
      aria-pressed={props.chosen}
      onClick={props.onChoose}
    >
      {props.children}
    </Button>
  );
}
