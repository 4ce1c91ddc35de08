import type { IntakeAnswers } from "../../api/client";
import { Option } from "./Option";
import type { AskedProps } from "./question";

/** How firm it may be, row by row of the body; whoever does not say leaves it to the therapist. */
export function Depths({ question, answers, onAnswer }: AskedProps) {
  const wishes = answers.wishes ?? [];
  const others = (regions: readonly string[]) => wishes.filter((wish) => !regions.includes(wish.region));
  const wished = (regions: readonly string[], depth: number): IntakeAnswers["wishes"] => [
    ...others(regions),
    ...regions.map((region) => ({ region, depth })),
  ];
  return (
    <div className="mt-3 grid gap-4">
      {question.rows?.map(({ reads, regions }) => {
        const depth = wishes.find((wish) => wish.region === regions[0])?.depth;
        return (
          <fieldset key={reads}>
            <legend className="text-lg">{reads}</legend>
            <div className="mt-1 flex flex-wrap gap-2">
              <Option
                name={`depth ${reads}`}
                words="As you think"
                checked={depth === undefined}
                onCheck={() => onAnswer({ wishes: others(regions) })}
              />
              {question.options?.map((option) => (
                <Option
                  key={option.value}
                  name={`depth ${reads}`}
                  words={option.reads}
                  checked={depth === Number(option.value)}
                  onCheck={() => onAnswer({ wishes: wished(regions, Number(option.value)) })}
                />
              ))}
            </div>
          </fieldset>
        );
      })}
    </div>
  );
}
