import { useId } from "react";
import { Option } from "../../ui/Option";
import { Conditions } from "./Conditions";
import { Consents } from "./Consents";
import { Depths } from "./Depths";
import { PlacesAsked } from "./PlacesAsked";
import type { AskedProps } from "./question";
import { WRITTEN, Written } from "./Written";

/** One question: what is asked, why, and the way to answer it. */
export function Asked({ fault, ...props }: AskedProps & { fault: string | undefined }) {
  const { question, answers, onAnswer } = props;
  const id = useId();
  const described = { "aria-describedby": `${id}-why`, "aria-invalid": fault !== undefined };
  const value = (answers as unknown as Record<string, unknown>)[question.field];
  const why = (
    <p id={`${id}-why`} className="text-quiet">
      {question.why}
    </p>
  );
  return (
    <div>
      {WRITTEN.has(question.kind) ? (
        <>
          <label htmlFor={id} className="block text-xl">
            {question.asks}
          </label>
          {why}
          <Written
            question={question}
            value={value as string | number | null | undefined}
            onValue={(answer) => onAnswer({ [question.field]: answer })}
            attributes={{ id, ...described }}
          />
        </>
      ) : (
        <fieldset {...described}>
          <legend className="text-xl">{question.asks}</legend>
          {why}
          {question.kind === "choice" && (
            <div className="mt-2 flex flex-wrap gap-2">
              {question.options?.map((option) => (
                <Option
                  key={option.value}
                  name={id}
                  words={option.reads}
                  checked={value === option.value}
                  onCheck={() => onAnswer({ [question.field]: option.value })}
                />
              ))}
            </div>
          )}
          {question.kind === "conditions" && <Conditions {...props} />}
          {question.kind === "places" && <PlacesAsked {...props} />}
          {question.kind === "depths" && <Depths {...props} />}
          {question.kind === "consents" && <Consents {...props} />}
        </fieldset>
      )}
      {fault && (
        <p role="alert" className="mt-1 text-accent">
          <span aria-hidden="true">△ </span>
          {fault}
        </p>
      )}
    </div>
  );
}
