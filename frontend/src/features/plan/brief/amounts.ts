/** How much of a region is wished for: as a brief says it, and as it is chosen region by region. */
import type { Brief } from "../../../api/client";

export type RegionWishes = Pick<Brief, "focus" | "much_more" | "leave_out">;
export type HowMuch = "usual" | "more" | "much" | "nothing";

export function amountOf(brief: RegionWishes, region: string): HowMuch {
  if (brief.leave_out?.includes(region)) return "nothing";
  if (!brief.focus?.includes(region)) return "usual";
  return brief.much_more?.includes(region) ? "much" : "more";
}

/** One tap is more, two are much more, the third takes it back; what is left out is worked again first. */
export function amountAfterTap(amount: HowMuch): HowMuch {
  return ({ usual: "more", more: "much", much: "usual", nothing: "usual" } as const)[amount];
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
