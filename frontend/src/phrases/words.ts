/** `back`, `back and neck`, `back, neck and feet`. */
export function listed(words: readonly string[]): string {
  if (words.length < 2) return words.join("");
  return `${words.slice(0, -1).join(", ")} and ${words[words.length - 1]}`;
}

/** The same words with a capital first letter. */
export function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** An id in words: `lower_back` reads `lower back`. */
export function spoken(id: string): string {
  return id.replaceAll("_", " ");
}

/** A zone as one says it: `between the toes`, `lower back`. */
export function zoneName(
  zone: string,
  region: { zone_names?: Readonly<Record<string, string>> } | undefined,
): string {
  return region?.zone_names?.[zone] ?? spoken(zone);
}

/** What a window uncovers, in one word: which side of the leg, or how the client lies, the position says. */
export function bareName(window: { name: string } | undefined): string {
  return window?.name.split(",")[0] ?? "";
}

export type Side = "left" | "right" | "mid" | "both";

/** A region's name with its side: `left hip`, `back`, `both feet`. */
export function sided(region: { name: string; whole: string; sides?: "mid" | "pair" }, side: Side): string {
  if (side === "both")
    return region.whole === region.name ? `both sides of the ${region.name}` : `both ${region.whole}`;
  if (region.sides === "mid" && side !== "mid") return `${side} half of the ${region.name}`;
  return side === "mid" ? region.name : `${side} ${region.name}`;
}

/** A region's side, all of it or a zone. */
export interface SidedPlace {
  region: string;
  side?: Side | undefined;
  zone?: string | null | undefined;
}

interface Regions {
  regions: Readonly<
    Record<
      string,
      { name: string; whole: string; sides?: "mid" | "pair"; zone_names?: Readonly<Record<string, string>> }
    >
  >;
}

/** `left foot, toes`, `both hips`, `back`, `left half of the back`. */
export function placeName({ region, side = "both", zone }: SidedPlace, { regions }: Regions): string {
  const known = regions[region];
  const name = known ? sided(known, known.sides === "mid" && side === "both" ? "mid" : side) : region;
  return zone ? `${name}, ${zoneName(zone, known)}` : name;
}

/** Where a condition is: `left hand and both feet`, or that it is nowhere. */
export function placesNamed(places: readonly SidedPlace[], names: Regions): string {
  return listed(places.map((place) => placeName(place, names))) || "nowhere we work";
}

/** Where the therapist stands: behind a seated client is where the head of a table would be. */
export function placeWord(place: string, position: string): string {
  if (position.startsWith("seated") && place === "head") return "behind";
  return place;
}

export type Stand = "head" | "foot" | "left" | "right" | "own_side";

const standWords: Record<Stand, string> = {
  head: "at the head",
  foot: "at the foot",
  left: "on the client’s left",
  right: "on the client’s right",
  own_side: "on that side",
};

/** Where somebody wants to stand for a stroke, as one says it. */
export function standWord(stand: Stand, position: string): string {
  return placeWord(stand, position) === "behind" ? "behind the client" : standWords[stand];
}

/** The places to choose from: what is done on one side alike is done on the other, so it has no left or right. */
export function standsFor(side: Side, ends: readonly Stand[]): Stand[] {
  return side === "left" || side === "right" ? ["own_side", ...ends] : ["right", "left", ...ends];
}

/** A walk to there, as one says it. */
export function walkWords(place: string, position: string): string {
  const word = placeWord(place, position);
  if (word === "behind") return "walk behind the client";
  return word === "head" || word === "foot" ? `walk to the ${word}` : `walk to the client’s ${word}`;
}

/** The five-level pressure scale in words. */
export const depthWord: Record<number, string> = {
  1: "light",
  2: "heavy lotioning",
  3: "medium",
  4: "strong",
  5: "deep",
};

interface Glided {
  regions: Readonly<Record<string, { name: string; whole: string; sides?: "mid" | "pair" }>>;
  passages: Readonly<Record<string, { glides?: readonly (readonly string[])[] }>>;
}

/** Where a long stroke runs, from the far end to the near one: `calf to hip`. */
export function glideName(regions: readonly string[], names: Glided): string {
  const glides = Object.values(names.passages).flatMap(({ glides }) => glides ?? []);
  const glide = glides.find((one) => regions.every((id) => one.includes(id))) ?? regions;
  const along = glide.filter((id) => regions.includes(id)).map((id) => names.regions[id]?.name ?? id);
  return `${along[0]} to ${along.at(-1)}`;
}
