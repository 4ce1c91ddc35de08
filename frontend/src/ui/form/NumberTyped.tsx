import { useState } from "react";

interface Props {
  number: number | null;
  /** Stands behind it: `cm`. */
  unit: string;
  /** Gets null for nothing, NaN for what is no number. */
  onNumber(number: number | null): void;
  attributes?: object;
}

/** A number with its unit, typed with a point or a comma. */
export function NumberTyped({ number, unit, onNumber, attributes = {} }: Props) {
  const [typed, setTyped] = useState(number === null || Number.isNaN(number) ? "" : String(number));
  return (
    <span className="flex items-baseline gap-2">
      <input
        className="input min-h-11 w-24 text-base"
        inputMode="decimal"
        maxLength={6}
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          const text = event.target.value.trim().replace(",", ".");
          onNumber(text === "" ? null : Number(text));
        }}
        {...attributes}
      />
      {unit}
    </span>
  );
}
