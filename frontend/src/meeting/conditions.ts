/** Finding conditions by what one remembers of them. */
import type { Catalogue } from "../api/client";

type Condition = Catalogue["conditions"][string];

/** The conditions of which a word begins with every word that was typed: of their name, or as clients tell them. */
export function findConditions(conditions: readonly Condition[], typed: string): Condition[] {
  const wanted = wordsOf(typed);
  return conditions.filter(({ name, asks }) => {
    const words = [...wordsOf(name), ...wordsOf(asks)];
    return wanted.every((one) => words.some((word) => word.startsWith(one)));
  });
}

function wordsOf(text: string): string[] {
  return text
    .toLowerCase()
    .split(/[^\p{L}\d]+/u)
    .filter(Boolean);
}
