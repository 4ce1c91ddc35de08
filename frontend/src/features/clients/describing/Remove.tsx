import { shared } from "../../../phrases/screens/shared";
import { Button } from "../../../ui/Button";

/** A thing in a list, removed by a tap on it. */
export function Remove({ words, onRemove }: { words: string; onRemove(): void }) {
  return (
    <Button className="bg-base-100 font-normal" aria-label={shared.remove(words)} onClick={onRemove}>
      {words} <span aria-hidden="true">×</span>
    </Button>
  );
}
