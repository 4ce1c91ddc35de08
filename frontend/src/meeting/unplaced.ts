/** What must still be asked of a session's client before anything is planned for them. */
import type { SessionView } from "../api/client";

/** The conditions of which nobody has told where they are, by id. */
export function unplacedOf({ evaluation }: Pick<SessionView, "evaluation">): string[] {
  return (evaluation.restrictions.unplaced ?? []).map(({ condition }) => condition);
}

/** Whether the client may not lie face down, and so is drawn on the side. */
export function liesOnTheSide({ evaluation }: Pick<SessionView, "evaluation">): boolean {
  return evaluation.restrictions.positions?.some(({ id }) => id === "prone") ?? false;
}
