import { say } from "../../phrases/screens/intake";
import { shared } from "../../phrases/screens/shared";
import { Option } from "../../ui/Option";
import type { AskedProps } from "./question";

const YES_OR_NO = [
  ["yes", "Yes"],
  ["no", "No"],
  ["ask", say.askMeThen],
] as const;

/** Where it may be worked through the sheet, yes and no say how. */
const WITH_THE_SHEET = [
  ["yes", say.yesFoldedBack],
  ["through_cloth", shared.onlyThroughSheet],
  ["no", shared.notAtAll],
  ["ask", say.askMeThen],
] as const;

/** What may be touched, one by one. */
export function Consents({ form, answers, onAnswer }: AskedProps) {
  return (
    <div className="mt-3 grid gap-5">
      {Object.values(form.consents).map(({ id, asks, through_cloth }) => (
        <fieldset key={id}>
          <legend className="text-lg">{asks}</legend>
          <div className="mt-1 flex flex-wrap gap-2">
            {(through_cloth ? WITH_THE_SHEET : YES_OR_NO).map(([value, words]) => (
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
