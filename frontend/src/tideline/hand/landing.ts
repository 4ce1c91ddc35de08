/** Dropping a part: between which two others the pointer is, and what it would mean. */
import type { Landing } from "../../api/client";
import { say } from "../../phrases/screens/tideline/hand";
import { span } from "../../phrases/time";
import type { Swell } from "../swells";

export interface Gap {
  /** The place in the order, as landings count it: among the parts without the one that moves. */
  at: number;
  x: number;
}

/** Where on the page each place in the order is, for parts that have been taken out. */
export function gaps(
  swells: readonly Swell[],
  moving: readonly string[],
  left: number,
  right: number,
): Gap[] {
  const rest = swells.filter((swell) => !moving.includes(swell.partId));
  return Array.from({ length: rest.length + 1 }, (_, at) => {
    const before = rest[at - 1];
    const after = rest[at];
    return { at, x: before && after ? (before.x1 + after.x0) / 2 : before ? right : after ? left : left };
  });
}

/** The place nearest to the pointer. */
export function nearestGap(places: readonly Gap[], x: number): Gap | undefined {
  return places.reduce<Gap | undefined>(
    (best, gap) => (best === undefined || Math.abs(gap.x - x) < Math.abs(best.x - x) ? gap : best),
    undefined,
  );
}

/** The next place on (1) or back (-1) where a part may go, and the reason of the first where it may not. */
export function nextLanding(
  landings: readonly Landing[],
  by: -1 | 1,
): { landing: Landing | undefined; blocked: string } {
  const here = landings.findIndex((landing) => landing.here);
  const onward = by === 1 ? landings.slice(here + 1) : landings.slice(0, Math.max(here, 0)).reverse();
  const blocked = onward[0]?.why_not ?? "";
  return { landing: onward.find((landing) => !landing.why_not), blocked };
}

/** What letting go here would do. */
export function landingWords(name: string, landing: Landing | undefined): string {
  if (!landing) return say.lookingWhereItMayGo;
  if (landing.here) return say.isHere(name);
  if (landing.why_not) return `Not here: ${landing.why_not}`;
  const seconds = landing.seconds ?? 0;
  if (seconds === 0) return say.hereNothingMoreBetweenStrokes(name);
  return say.hereBetweenStrokes(name, span(seconds), seconds > 0 ? "more" : "less");
}
