import type { LeftOut, Reasons, RegionReason } from "../../api/client";
import { span } from "../time";
import { capital, listed } from "../words";

/** Why a region is left out, in one sentence. `name` gives a region's name for both sides. */
export function whyLeftOut(left: LeftOut, name: (region: string) => string): string {
  switch (left.reason) {
    case "wish":
      return "By your wish.";
    case "no_consent":
      return "Only with the client’s consent; none is on record.";
    case "not_wished":
      return "The client agrees to it but has not asked for it.";
    case "declined":
      return "The client has declined it.";
    case "excluded":
      return "It is to be left alone.";
    case "not_in_school":
      return "This school has no place for it.";
    case "position_barred":
      return "It cannot be reached in any position the client may lie in.";
    case "health":
      return "Health rules it out, or it needs a lighter touch than its strokes allow.";
    case "never_fits":
      return "Even its shortest time does not fit beside what you asked for.";
    case "no_time":
      return costs(left, name);
  }
}

const NAMED = 3;

function costs(left: LeftOut, name: (region: string) => string): string {
  const gives = left.gives ?? [];
  if (gives.length === 0) return "The minutes do more good elsewhere.";
  const named = gives
    .slice(0, NAMED)
    .map((give) =>
      give.gone ? `all of the ${name(give.region)}` : `${span(give.seconds)} of the ${name(give.region)}`,
    );
  const more = gives.length > NAMED ? ["a little elsewhere"] : [];
  return `${capital(listed([...named, ...more]))} would have to go for it.`;
}

const CLOSE = "close";

/** Why a region has its minutes: its bound, if it has reached one, and who would give for one more. */
export function whyItsMinutes(reason: RegionReason, name: (region: string) => string): string {
  const bound = {
    least: "This is the least that makes it worth uncovering. ",
    usual: "These are its usual minutes, and they come before anything else. ",
    most: "This is the most that does good. ",
    none: "",
  }[reason.bound ?? "none"];
  const gives = reason.gives ?? [];
  if (reason.bound === "most") return bound.trim();
  if (gives.length === 0) return `${bound}Nothing else could give a minute more.`;
  const where = (region: string) => (region === CLOSE ? "the close" : `the ${name(region)}`);
  const named = gives.slice(0, NAMED).map((give) => `${span(give.seconds)} from ${where(give.region)}`);
  const more = gives.length > NAMED ? ["a little from elsewhere"] : [];
  const here = reason.sides > 1 ? "One more minute here, both sides together," : "One more minute here";
  return `${bound}${here} would take ${listed([...named, ...more])}.`;
}

/** What the region weighs, in a few words. */
export function itsWeight(reason: RegionReason): string {
  const parts = [`${reason.share} % of the body`];
  if (reason.school !== 1) parts.push(`the school gives it ${reason.school} times that`);
  if (reason.focus > 1) parts.push(`the focus ${reason.focus} times`);
  return `${capital(listed(parts))}.`;
}

const WORTH_SAYING = 20;

/** What the order saves; nothing to say where it saves little. */
export function whatOrderSaves(order: Reasons["order"]): string {
  const saved = order ? order.plain_seconds - order.seconds : 0;
  if (saved < WORTH_SAYING) return "";
  return `This order saves ${span(saved)} of walking and covering against one region after the other.`;
}
