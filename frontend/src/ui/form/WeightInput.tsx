import { inFeet } from "../../api/manner";
import { fromPounds, inPounds } from "../../phrases/measures";
import { NumberTyped } from "./NumberTyped";

/** A weight in kilograms or in pounds, as the practice measures; `onKg` gets null for nothing, NaN for no number. */
export function WeightInput({ kg, onKg }: { kg: number | null; onKg(kg: number | null): void }) {
  if (!inFeet()) return <NumberTyped number={kg} unit="kg" onNumber={onKg} />;
  return (
    <NumberTyped
      number={kg === null ? null : inPounds(kg)}
      unit="lb"
      onNumber={(pounds) => onKg(pounds === null ? null : fromPounds(pounds))}
    />
  );
}
