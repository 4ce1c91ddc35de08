/** Places on a client, in words and as the choices of a list. */
import type { Catalogue, ConditionPlaces, Entry, Place } from "../api/client";
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

/** The places with one more, or without it where it was among them. */
export function togglePlace<P extends SidedPlace>(places: readonly P[], place: P, catalogue: Regions): P[] {
  const key = placeKey(place, catalogue);
  const others = places.filter((one) => placeKey(one, catalogue) !== key);
  return others.length < places.length ? others : [...places, place];
}

/** Where a condition is, as far as that was told. */
export function placesOf(told: readonly ConditionPlaces[] | undefined, condition: string): Place[] | null {
  return told?.find((one) => one.condition === condition)?.places ?? null;
}

/** What was told of where conditions are, with what is told now of one of them. */
export function tellPlaces(
  told: readonly ConditionPlaces[] | undefined,
  condition: string,
  places: Place[],
): ConditionPlaces[] {
  return [...(told ?? []).filter((one) => one.condition !== condition), { condition, places }];
}
