import type { IntakeQuestion } from "../../api/client";
import { HeightInput, isHeight } from "../../ui/form/HeightInput";

/** The kinds of question that are answered by writing. */
export const WRITTEN: ReadonlySet<IntakeQuestion["kind"]> = new Set([
  "line",
  "words",
  "date",
  "year",
  "height",
]);

interface Props {
  question: IntakeQuestion;
  value: string | number | null | undefined;
  onValue(value: string | number | null): void;
  /** What ties the control to its question. */
  attributes: { id: string };
}

/** A line, some words, a day, a year or a height. */
export function Written({ question, value, onValue, attributes }: Props) {
  const text = typeof value === "string" ? value : "";
  if (question.kind === "words")
    return (
      <textarea
        className="textarea mt-2 w-full text-lg"
        rows={2}
        maxLength={1000}
        value={text}
        onChange={(event) => onValue(event.target.value)}
        {...attributes}
      />
    );
  if (question.kind === "date")
    return (
      <input
        type="date"
        className="input mt-2 min-h-14 w-56 text-lg"
        value={text}
        onChange={(event) => onValue(event.target.value || null)}
        {...attributes}
      />
    );
  if (question.kind === "line")
    return (
      <input
        className="input mt-2 min-h-14 w-full text-lg"
        maxLength={question.field === "phone" ? 40 : 80}
        value={text}
        onChange={(event) => onValue(event.target.value)}
        {...attributes}
      />
    );
  if (question.kind === "height")
    return (
      <span className="mt-2 block">
        <HeightInput
          cm={typeof value === "number" ? value : null}
          onCm={(cm) => onValue(cm !== null && isHeight(cm) ? cm : null)}
          attributes={attributes}
        />
      </span>
    );
  const [least, most] = [1900, new Date().getFullYear()];
  return (
    <input
      type="number"
      inputMode="numeric"
      min={least}
      max={most}
      className="input mt-2 min-h-14 w-40 text-lg"
      defaultValue={value ?? ""}
      onChange={(event) => {
        // Sent only while it can be one: half a year is no year yet.
        const typed = Number(event.target.value);
        const fits = Number.isInteger(typed) && typed >= least && typed <= most;
        onValue(event.target.value && fits ? typed : null);
      }}
      {...attributes}
    />
  );
}
