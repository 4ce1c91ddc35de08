import { say } from "../../phrases/screens/intake";
import { Option } from "../../ui/Option";
import type { AskedProps } from "./question";

const ANSWERS = [
  ["yes", "Yes"],
  ["no", "No"],
  ["ask", say.askMeThen],
] as const;

/** What may be touched, one by one. */
export function Consents({ form, answers, onAnswer }: AskedProps) {
  return (
    <div className="mt-3 grid gap-5">
      {Object.values(form.consents).map(({ id, asks }) => (
        <fieldset key={id}>
          <legend className="text-lg">{asks}</legend>
          <div className="mt-1 flex flex-wrap gap-2">
            {ANSWERS.map(([value, words]) => (
              <Option
                key={value}
                name={`consent ${id}`}
                words={words}
                checked={answers.consents[id] === value}
                onCheck={() => onAnswer({ consents: { ...answers.consents, [id]: value } })}
              />
            ))}
          </div>
        </fieldset>
      ))}
    </div>
  );
}
