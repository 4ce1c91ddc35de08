/** Places on a client, in words and as the choices of a list. */
import type { Catalogue, Entry } from "../api/client";
import type { SidedPlace } from "../phrases/words";

type Regions = Pick<Catalogue, "regions">;

/** One word for a place, the same whichever way a middle region's side is written. */
export function placeKey({ region, side = "both", zone }: SidedPlace, { regions }: Regions): string {
  return [region, regions[region]?.sides === "mid" ? "mid" : side, zone].filter(Boolean).join(" ");
}

/** Every region's sides, as a list offers them. */
export function placesToChoose({ regions }: Regions): { region: string; side: Entry["side"] }[] {
  return Object.values(regions).flatMap((region) =>
    (region.sides === "mid" ? (["mid"] as const) : (["right", "left", "both"] as const)).map((side) => ({
      region: region.id,
      side,
    })),
  );
}
