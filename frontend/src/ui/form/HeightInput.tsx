import { useState } from "react";
import { inFeet } from "../../api/manner";
import { fromFeetAndInches, inFeetAndInches } from "../../phrases/measures";
import { NumberTyped } from "./NumberTyped";

/** The heights that are believed, in centimetres. */
export const HEIGHTS = [100, 230] as const;

export function isHeight(cm: number): boolean {
  return cm >= HEIGHTS[0] && cm <= HEIGHTS[1];
}

interface Props {
  /** Centimetres, or null where nothing is told. */
  cm: number | null;
  /** Gets whole centimetres, and NaN for what is no number. */
  onCm(cm: number | null): void;
  attributes?: { id?: string; "aria-describedby"?: string; "aria-invalid"?: boolean };
}

/** A height, in centimetres or in feet and inches as the practice measures. */
export function HeightInput({ cm, onCm, attributes = {} }: Props) {
  const [start] = useState<[number | null, number | null]>(() =>
    cm === null || Number.isNaN(cm) ? [null, null] : inFeetAndInches(cm),
  );
  const [feet, setFeet] = useState(start[0]);
  const [inches, setInches] = useState(start[1]);
  if (!inFeet())
    return (
      <NumberTyped
        number={cm}
        unit="cm"
        onNumber={(typed) => onCm(typed === null ? null : Math.round(typed))}
        attributes={attributes}
      />
    );
  const tell = (newFeet: number | null, newInches: number | null) => {
    setFeet(newFeet);
    setInches(newInches);
    onCm(newFeet === null && newInches === null ? null : fromFeetAndInches(newFeet ?? 0, newInches ?? 0));
  };
  return (
    <span className="flex gap-4">
      <NumberTyped
        number={feet}
        unit="ft"
        onNumber={(typed) => tell(typed, inches)}
        attributes={{ ...attributes, "aria-label": "Feet" }}
      />
      <NumberTyped
        number={inches}
        unit="in"
        onNumber={(typed) => tell(feet, typed)}
        attributes={{ "aria-label": "Inches" }}
      />
    </span>
  );
}
