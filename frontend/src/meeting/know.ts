/** What to know of a client before touching, in words, the gravest first. */
import type { Catalogue, ClientPage } from "../api/client";
import { capital, placeName } from "../phrases/words";

export interface Caution {
  level: "refer" | "ask" | "adapt";
  words: string;
  means: string;
}

const ORDER = { refer: 0, ask: 1, adapt: 2 };

/** Stop signs, what the clinician is asked, and what is adapted, each with what it means for a session. */
export function cautionsOf(restrictions: Pick<ClientPage["restrictions"], "reasons">): Caution[] {
  const named = new Map<string, Caution>();
  for (const { level, name, says } of restrictions.reasons ?? []) {
    const key = `${level} ${name}`;
    const known = named.get(key);
    named.set(key, { level, words: capital(name), means: known ? `${known.means} ${says}` : says });
  }
  return [...named.values()].sort((a, b) => ORDER[a.level] - ORDER[b.level]);
}

/** The places to keep off, in words. */
export function keptOff(
  { restrictions }: Pick<ClientPage, "restrictions">,
  catalogue: Pick<Catalogue, "regions">,
): string[] {
  return (restrictions.excluded ?? []).map((place) =>
    capital([placeName(place, catalogue), place.because].filter(Boolean).join(": ")),
  );
}

export interface ConsentWords {
  id: string;
  asks: string;
  answer: "yes" | "through_cloth" | "no" | "not asked";
}

type Answered = Pick<ClientPage["record"], "consents" | "through_cloth" | "declined">;

/** What was answered to a consent. */
export function answerOf(
  { consents, through_cloth, declined }: Answered,
  id: string,
): ConsentWords["answer"] {
  if (declined.includes(id)) return "no";
  if (through_cloth.includes(id)) return "through_cloth";
  return consents.includes(id) ? "yes" : "not asked";
}

/** Every consent with its answer: what was declined first, then what was never asked. */
export function consentsOf({ record }: ClientPage, catalogue: Pick<Catalogue, "consents">): ConsentWords[] {
  const rank = { no: 0, "not asked": 1, through_cloth: 2, yes: 3 };
  return Object.values(catalogue.consents)
    .map(({ id, name }): ConsentWords => ({ id, asks: capital(name), answer: answerOf(record, id) }))
    .sort((a, b) => rank[a.answer] - rank[b.answer]);
}
