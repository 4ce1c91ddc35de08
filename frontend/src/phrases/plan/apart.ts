/** What sets another plan apart from the present one, in one line. */
import type { Traits } from "../../api/client";
import { span } from "../time";
import { capital, listed } from "../words";

const WORTH_SAYING = 30;
const MOST = 3;

/** The weightiest differences first: turns, regions, the focus, what gains most, time between strokes, walks, thumbs. */
export function whatSetsApart(other: Traits, present: Traits, name: (region: string) => string): string {
  const parts = [
    counted(other.turns - present.turns, "turn"),
    counted(regions(other) - regions(present), "region"),
    timed(other.on_focus - present.on_focus, "on the focus"),
    favoured(other, present, name),
    timed(other.between - present.between, "between strokes"),
    counted(other.walks - present.walks, "walk"),
    thumbs(other.thumb_share - present.thumb_share),
  ].filter((part) => part !== "");
  if (parts.length === 0) return "The same minutes in another order.";
  return `${capital(listed(parts.slice(0, MOST)))}.`;
}

function regions(traits: Traits): number {
  return Object.keys(traits.by_region).length;
}

/** The region, worked in both, that gains the most. */
function favoured(other: Traits, present: Traits, name: (region: string) => string): string {
  const gains = Object.entries(other.by_region)
    .filter(([region]) => region in present.by_region)
    .map(([region, seconds]) => ({ region, gain: seconds - (present.by_region[region] ?? 0) }))
    .sort((a, b) => b.gain - a.gain);
  const first = gains[0];
  return first ? timed(Math.max(first.gain, 0), `on the ${name(first.region)}`) : "";
}

function counted(difference: number, noun: string): string {
  if (difference === 0) return "";
  const count = Math.abs(difference);
  return `${count === 1 ? "one" : count} ${noun}${count === 1 ? "" : "s"} ${difference > 0 ? "more" : "fewer"}`;
}

function timed(seconds: number, where: string): string {
  if (Math.abs(seconds) < WORTH_SAYING) return "";
  return `${span(Math.abs(seconds))} ${seconds > 0 ? "more" : "less"} ${where}`;
}

function thumbs(difference: number): string {
  const percent = Math.round(100 * difference);
  return percent === 0 ? "" : `thumbs ${percent > 0 ? "more" : "less"} by ${Math.abs(percent)} %`;
}
