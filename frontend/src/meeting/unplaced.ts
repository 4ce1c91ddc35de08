/** What of a client's restrictions the screens of meeting and planning ask about, and how the client is drawn. */
import type { ClientPage } from "../api/client";

type Restrictions = ClientPage["restrictions"];

/** The conditions of which nobody has told where they are, by id. */
export function unplacedOf({ unplaced = [] }: Pick<Restrictions, "unplaced">): string[] {
  return unplaced.map(({ condition }) => condition);
}

/** Whether the client may not lie face down, and so is drawn on the side. */
export function liesOnTheSide({ positions = [] }: Pick<Restrictions, "positions">): boolean {
  return positions.some(({ id }) => id === "prone");
}
