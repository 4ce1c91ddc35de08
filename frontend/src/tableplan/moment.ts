/** What a table plan is of. */
import type { Catalogue, Entry, Place } from "../api/client";

/** What is to be seen: an entry of the run sheet, and what of the client and the room matters. */
export interface Moment {
  entry: Pick<
    Entry,
    "position" | "place" | "seated" | "window" | "window_side" | "region" | "side" | "kind" | "role"
  > & { zone?: string | null; stroke?: string | null };
  surface: "table" | "chair" | "bed" | "mat";
  excluded: readonly Place[];
  /** Regions that may not be worked at all. */
  barred: readonly string[];
  pregnant: boolean;
  /** Nobody is with them: only the body is to be seen. */
  alone?: boolean;
}

export type Names = Pick<Catalogue, "regions" | "windows" | "positions" | "strokes">;
