import type { Catalogue, Entry } from "../../api/client";
import { capital } from "../words";
import { cueFor, easedOver } from "./cues";

const SOFTLY: Record<number, string> = {
  1: "Very lightly.",
  2: "Lightly.",
  3: "With some weight.",
  4: "Firmly, slowly.",
  5: "Deeply, very slowly.",
};

/** What to do now, in one or two short sentences without the trade's words. */
export function plainSentence(entry: Entry, catalogue: Catalogue): string {
  const cue = cueFor(entry, catalogue);
  if (entry.kind !== "stroke") return `${cue.name}.`;
  return [
    `${cue.place}: ${plainWay(entry, catalogue)}.`,
    SOFTLY[entry.depth ?? 1],
    easedOver(entry),
    cue.asks,
  ]
    .filter(Boolean)
    .join(" ");
}

/** How a stroke is done, in the first words of its description. */
export function plainWay(entry: Entry, catalogue: Catalogue): string {
  const stroke = catalogue.strokes[entry.stroke ?? ""];
  return lower(stroke?.how?.split(/(?<=[.;])\s/)[0]?.replace(/[.;]$/, "") ?? stroke?.name ?? "");
}

function lower(words: string): string {
  return words === capital(words) ? words.charAt(0).toLowerCase() + words.slice(1) : words;
}
