import { useId } from "react";
import type { IntakeAnswers } from "../../api/client";
import { say } from "../../phrases/screens/intake";
import type { AskedProps } from "./question";

/** How firm it may be, row by row of the body; whoever does not say leaves it to the therapist. */
export function Depths({ question, answers, onAnswer }: AskedProps) {
  const id = useId();
  const wishes = answers.wishes ?? [];
  const others = (regions: readonly string[]) => wishes.filter((wish) => !regions.includes(wish.region));
  const wished = (regions: readonly string[], depth: number): IntakeAnswers["wishes"] => [
    ...others(regions),
    ...regions.map((region) => ({ region, depth })),
  ];
  return (
    <div className="mt-3 grid max-w-md gap-1.5">
      {question.rows?.map(({ reads, regions }) => (
        <div
          key={reads}
          className="grid grid-cols-2 items-center gap-3 rounded-field bg-base-200 px-4 py-1.5"
        >
          <label htmlFor={`${id}${reads}`}>{reads}</label>
          <select
            id={`${id}${reads}`}
            className="select min-h-12 w-full"
            value={wishes.find((wish) => wish.region === regions[0])?.depth ?? ""}
            onChange={({ target }) =>
              onAnswer({
                wishes: target.value ? wished(regions, Number(target.value)) : others(regions),
              })
            }
          >
            <option value="">{say.asYouThink}</option>
            {question.options?.map((option) => (
              <option key={option.value} value={option.value}>
                {option.reads}
              </option>
            ))}
          </select>
        </div>
      ))}
    </div>
  );
}
