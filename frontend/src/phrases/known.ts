/** What became known of a client, in words: what changed, how it became known, and when. */
import type { Catalogue, Known } from "../api/client";
import { heightWords, weightWords } from "./measures";
import { capital, placeName, placesNamed, type Side, type SidedPlace, spoken } from "./words";

type Names = Pick<Catalogue, "conditions" | "consents" | "regions" | "strokes" | "tools">;

/** `from an intake, by Wenna Tidebrook`. */
export function howKnown({ how, person_name }: Pick<Known, "how" | "person_name">): string {
  return `${how}, by ${person_name}`;
}

/** What changed, in one sentence without its full stop. */
export function whatChanged({ about, change }: Pick<Known, "about" | "change">, names: Names): string {
  const { field, item = "", before, after } = change;
  const gone = after === null || after === undefined;
  switch (field) {
    case "conditions":
      return `${capital(names.conditions[item]?.name ?? item)}: ${gone ? "no longer" : "noted"}`;
    case "condition_places":
      return `Where, ${names.conditions[item]?.name ?? item}: ${gone ? "not told any more" : placesNamed((after as string[]).map(read), names)}`;
    case "consents":
      return `${capital(names.consents[item]?.name ?? item)}: ${gone ? "no answer any more" : said(after)}${was(before)}`;
    case "wishes":
      return `Pressure, ${names.regions[item]?.whole ?? item}: ${gone ? "no wish" : `depth ${after}`}${was(before)}`;
    case "excluded":
    case "tension":
      return placed(field, item, gone, after, names);
    case "likes":
    case "dislikes":
      return `${field === "likes" ? "Likes" : "Does not like"} ${nameOf(item, names)}${gone ? ": no longer" : ""}`;
    case "height_cm":
    case "weight_kg":
      return `${capital(about)}: ${measured(field, after)}${was(before && measured(field, before))}`;
    case "today":
      return `Asked what is new: ${typeof after === "string" ? after : today(after)}`;
    case "merged":
      return `Merged with the record “${item}”`;
    default:
      return `${capital(about)}: ${plain(after)}${was(before)}`;
  }
}

function placed(field: string, item: string, gone: boolean, after: unknown, names: Names): string {
  const place = placeName(read(item), names);
  if (field === "tension") return `Tension, ${place}${gone ? ": no longer" : ""}`;
  if (gone) return `May be worked again: ${place}`;
  return `Keep off: ${place}${after === "keep off" ? "" : ` (${after})`}`;
}

/** A place from its key: `foot left toes`. */
function read(key: string): SidedPlace {
  const [region = "", side = "both", zone] = key.split(" ");
  return { region, side: side as Side, zone };
}

function nameOf(id: string, names: Names): string {
  return names.strokes[id]?.name ?? names.tools[id]?.name ?? id;
}

function today(after: unknown): string {
  const answer = after as { note?: string; conditions?: []; excluded?: []; headache?: object };
  if (answer.note) return `“${answer.note}”`;
  const minded = (answer.conditions?.length ?? 0) + (answer.excluded?.length ?? 0);
  return `${minded + (answer.headache ? 1 : 0)} to mind`;
}

function said(value: unknown): string {
  if (value === "through_cloth") return "only through the sheet";
  return value === "yes" ? "said yes" : "said no";
}

function measured(field: "height_cm" | "weight_kg", value: unknown): string {
  if (typeof value !== "number") return plain(value);
  return field === "height_cm" ? heightWords(value) : weightWords(value);
}

function plain(value: unknown): string {
  if (value === true) return "yes";
  if (value === false || value === null || value === undefined || value === "") return "nothing";
  return spoken(String(value));
}

function was(before: unknown): string {
  return before === null || before === undefined || before === "" ? "" : `, before: ${plain(before)}`;
}
