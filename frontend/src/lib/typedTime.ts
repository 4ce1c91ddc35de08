/** Seconds from what was typed for a length: `4:30`, `4.5` or `4,5` minutes, `270 s`; null if it is none of these. */
export function secondsTyped(text: string): number | null {
  const words = text.trim().toLowerCase().replace(",", ".");
  const clock = /^(\d{1,2}):([0-5]\d)$/.exec(words);
  if (clock) return Number(clock[1]) * 60 + Number(clock[2]);
  const found = /^(\d+(?:\.\d+)?)\s*(s|sec|min|m)?$/.exec(words);
  if (!found) return null;
  const number = Number(found[1]);
  return Math.round(found[2]?.startsWith("s") ? number : number * 60);
}
