import { useMemo } from "react";
import type { Landing, RunSheet, WorkedPassage } from "../../api/client";
import { secondsOf } from "../names";
import type { PartActions } from "../Swells";
import type { Swell } from "../swells";

/** What the line does to the flow. `alone`: without the other side. */
export interface TideEditing extends Omit<PartActions, "onNudge" | "onTakeUp"> {
  onReshape(partId: string, seconds: number, alone: boolean): void;
  /** The parts that are worked as one, in the order of the session. */
  passages: readonly WorkedPassage[];
  /** All parts that are worked as one: their seconds together, their place, their end. */
  onReshapePassage(passage: WorkedPassage, seconds: number): void;
  onMovePassage(passage: WorkedPassage, by: -1 | 1): void;
  /** The other side gets the same strokes, all of it. */
  onMirrorPassage(passage: WorkedPassage): void;
  onRemovePassage(passage: WorkedPassage): void;
  /** A stroke goes from the whole session, which is planned anew around that. */
  onLeaveStrokeOut(stroke: string): void;
  /** `name`: what is moved, as it is told. */
  onLand(landing: Landing, name: string): void;
  /**
   * Where the part touched last may go, alone and with all that is worked as one with it; undefined until it is known.
   */
  landings:
    | { partId: string; places: readonly Landing[]; passage?: WorkedPassage; together: readonly Landing[] }
    | undefined;
}

/** What a part of the line can have done to it; undefined where the line is only looked at. */
export function useActions(
  editing: TideEditing | undefined,
  sheet: RunSheet,
  setHeld: (held: { swell: Swell; at: { x: number; y: number } }) => void,
): PartActions | undefined {
  return useMemo(
    () =>
      editing && {
        ...editing,
        onNudge: (swell, by) =>
          editing.onReshape(swell.partId, Math.max(15, secondsOf(sheet, swell.partId) + by), false),
        onTakeUp: (swell, at) => setHeld({ swell, at }),
      },
    [editing, sheet, setHeld],
  );
}
