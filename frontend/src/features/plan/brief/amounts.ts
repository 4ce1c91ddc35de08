/** How much of a region is wished for: as a brief says it, and as it is chosen region by region. */
import type { Brief } from "../../../api/client";

export type RegionWishes = Pick<Brief, "focus" | "much_more" | "leave_out">;
export type HowMuch = "usual" | "more" | "much" | "nothing";

export function amountOf(brief: RegionWishes, region: string): HowMuch {
  if (brief.leave_out?.includes(region)) return "nothing";
  if (!brief.focus?.includes(region)) return "usual";
  return brief.much_more?.includes(region) ? "much" : "more";
}

/** The word of the brief of which a region is chosen. */
export type BriefWord = "focus" | "leave_out";

/**
 * For the focus one tap is more, two are much more, the third takes it back; to leave out, one tap leaves out. What the
 * other word has chosen stays, but that what is left out is worked again first.
 */
const AFTER_TAP: Readonly<Record<BriefWord, Readonly<Record<HowMuch, HowMuch>>>> = {
  focus: { usual: "more", more: "much", much: "usual", nothing: "usual" },
  leave_out: { usual: "nothing", more: "more", much: "much", nothing: "usual" },
};

export function amountAfterTap(asked: BriefWord, amount: HowMuch): HowMuch {
  return AFTER_TAP[asked][amount];
}

/** Held down, a region is left out, or worked again. */
export function amountAfterHold(amount: HowMuch): HowMuch {
  return amount === "nothing" ? "usual" : "nothing";
}

/** Whether it is this word that has chosen the region. */
export function isChosen(asked: BriefWord, amount: HowMuch): boolean {
  return asked === "focus" ? amount === "more" || amount === "much" : amount === "nothing";
}

/** What becomes of the brief where a region is to have this much. */
export function patchOf(brief: RegionWishes, region: string, amount: HowMuch): Required<RegionWishes> {
  const kept = (ids: readonly string[] = [], within: boolean) => {
    if (!within) return ids.filter((id) => id !== region);
    return ids.includes(region) ? [...ids] : [...ids, region];
  };
  return {
    focus: kept(brief.focus, amount === "more" || amount === "much"),
    much_more: kept(brief.much_more, amount === "much"),
    leave_out: kept(brief.leave_out, amount === "nothing"),
  };
}
