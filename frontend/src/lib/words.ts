/** `back`, `back and neck`, `back, neck and feet`. */
export function listed(words: readonly string[]): string {
  if (words.length < 2) return words.join("");
  return `${words.slice(0, -1).join(", ")} and ${words[words.length - 1]}`;
}

/** The same words with a capital first letter. */
export function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** An id in words: `lower_back` reads `lower back`. */
export function spoken(id: string): string {
  return id.replaceAll("_", " ");
}

export type Side = "left" | "right" | "mid" | "both";

/** A region's name with its side: `left hip`, `back`, `both feet`. */
export function sided(
  region: { name: string; whole: string; sides?: "mid" | "pair" },
  side: Side,
): string {
  if (side === "both") return `both ${region.whole}`;
  if (region.sides === "mid" && side !== "mid") return `${side} half of the ${region.name}`;
  return side === "mid" ? region.name : `${side} ${region.name}`;
}

/** The five-level pressure scale in words. */
export const depthWord: Record<number, string> = {
  1: "light",
  2: "heavy lotioning",
  3: "medium",
  4: "strong",
  5: "deep",
};
