/** What became known of a client, in words: what changed, how it became known, and when. */
import type { Catalogue, Known } from "../api/client";
import { capital, placeName, spoken } from "./words";

type Names = Pick<Catalogue, "conditions" | "consents" | "regions" | "strokes" | "tools">;

const HOW: Record<Known["source"], string> = {
  by_hand: "written down",
  intake: "from an intake",
  day_question: "asked on the day",
  plan: "set on the plan",
  import: "brought in",
  merge: "from another entry",
  learnt: "learnt from what was said",
};

const FIELDS: Record<string, string> = {
  address_as: "how to address",
  due_date: "due date",
  height_cm: "height in cm",
  weight_kg: "weight in kg",
  breaths_per_minute: "breaths a minute",
  know_first: "to know first",
  archived: "put away",
};

/** `from an intake, by Wenna Tidebrook`. */
export function howKnown({ source, person_name }: Pick<Known, "source" | "person_name">): string {
  return `${HOW[source]}, by ${person_name}`;
}

/** What changed, in one sentence without its full stop. */
export function whatChanged({ field, item = "", before, after }: Known["change"], names: Names): string {
  const gone = after === null || after === undefined;
  switch (field) {
    case "conditions":
      return `${capital(names.conditions[item]?.name ?? item)}: ${gone ? "no longer" : "noted"}`;
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
    case "today":
      return `Asked what is new: ${typeof after === "string" ? after : today(after)}`;
    case "merged":
      return `Put together with the entry “${item}”`;
    default:
      return `${capital(FIELDS[field] ?? spoken(field))}: ${plain(after)}${was(before)}`;
  }
}

function placed(field: string, item: string, gone: boolean, after: unknown, names: Names): string {
  const [region = "", side = "both", zone] = item.split(" ");
  const place = placeName({ region, side: side as "both", zone }, names);
  if (field === "tension") return `Tension, ${place}${gone ? ": no longer" : ""}`;
  if (gone) return `May be worked again: ${place}`;
  return `Keep off: ${place}${after === "keep off" ? "" : ` (${after})`}`;
}

function nameOf(id: string, names: Names): string {
  return names.strokes[id]?.name ?? names.tools[id]?.name ?? id;
}

function today(after: unknown): string {
  const { note, conditions, excluded } = after as { note?: string; conditions?: []; excluded?: [] };
  if (note) return `“${note}”`;
  return `${(conditions?.length ?? 0) + (excluded?.length ?? 0)} to mind`;
}

function said(value: unknown): string {
  return value === "yes" ? "said yes" : "said no";
}

function plain(value: unknown): string {
  if (value === true) return "yes";
  if (value === false || value === null || value === undefined || value === "") return "nothing";
  return spoken(String(value));
}

function was(before: unknown): string {
  return before === null || before === undefined || before === "" ? "" : `, before: ${plain(before)}`;
}
