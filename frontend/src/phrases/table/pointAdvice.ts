import { MOST_HOLDS, type SorePoint } from "../../tableside/points";

/** What the last number says to do, in few words. */
export function advice(point: SorePoint, ceiling: number): string {
  const [before, last] = point.numbers.length > 1 ? point.numbers.slice(-2) : [undefined, point.numbers[0]];
  if (last === undefined) return "Ask for the number: 0 none, 10 the worst.";
  if (last > ceiling) return "Over the ceiling: ease off at once.";
  if (before !== undefined && last > before) return "It rises: part, and leave it for today.";
  if (point.left) return "Left for another day, as slow to ease.";
  if (point.holds >= MOST_HOLDS) return "Three holds: enough for today.";
  if (last <= 3) return "Eased: flush, and go on.";
  if (before !== undefined && before - last >= 3) return "It eased quickly. Flush, and ask again.";
  if (before === last) return "No fall: hold a little longer once, then leave it.";
  return "Breath in; press on the breath out; hold.";
}
