/** The sheet over the client, with its window. */
import { capsule } from "./geometry";
import type { Moment, Names } from "./moment";
import { framesOf, MIDDLE, type Turn } from "./page";
import type { Posture } from "./postures";

/** The sheet, the places where it is open, and the fold along its upper edge. */
export interface Cloth {
  path: string;
  fold: string;
  open: string[];
}

/** How far the sheet is folded away, in cm along the body, and what is laid over the chest instead. */
const FOLDS: Record<string, { from?: number; to?: number; chestCover?: readonly [number, number] }> = {
  back: { from: 84 },
  side_back: { from: 84 },
  chest: { from: 46 },
  abdomen: { from: 82, chestCover: [36, 57] },
  foot: { to: 158 },
};

export function clothOf(moment: Moment, posture: Posture, turn: Turn, names: Names): Cloth | null {
  const { window, window_side } = moment.entry;
  if (posture.sheetFrom === undefined || window === "clothed") return null;
  const fold = FOLDS[window];
  const [x0] = turn([fold?.from ?? posture.sheetFrom, 0]);
  const [x1] = turn([fold?.to ?? posture.length + 6, 0]);
  const side =
    window_side === "left" || window_side === "right" ? [window_side] : (["right", "left"] as const);
  const uncovers = fold ? [] : (names.windows[window]?.uncovers ?? []);
  const open = uncovers.flatMap((region) =>
    framesOf(posture, region, names.regions[region]?.sides === "mid" ? ["right"] : side, turn).map((frame) =>
      capsule(frame, 3.5),
    ),
  );
  const cover = fold?.chestCover?.map((u) => turn([u, 0])[0]);
  return {
    path: clothBetween(x0, x1) + (cover ? clothBetween(cover[0] ?? 0, cover[1] ?? 0, 22) : ""),
    fold: fold?.to === undefined ? edge(x0) : edge(x1),
    open,
  };
}

function edge(x: number, half = 36): string {
  return `M${x} ${MIDDLE - half}C${x - 3} ${MIDDLE - half / 3} ${x + 4} ${MIDDLE + half / 3} ${x} ${MIDDLE + half}`;
}

function clothBetween(x0: number, x1: number, half = 36): string {
  const [y0, y1, third] = [MIDDLE - half, MIDDLE + half, half / 3];
  return `${edge(x0, half)}L${x1 - 2} ${y1}C${x1 + 3} ${MIDDLE + third} ${x1 - 3} ${MIDDLE - third} ${x1} ${y0}Z`;
}
