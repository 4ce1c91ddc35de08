import type { StrokeReason } from "../../api/client";
import { span } from "../time";
import { capital, listed } from "../words";

const PURPOSES: Record<StrokeReason["purpose"], string> = {
  opens: "opens the work and warms",
  joins: "connects what was worked",
  settles: "settles it at the end",
  point: "is for the sore point",
  dry: "is done before the oil",
  broad: "sinks in broadly",
  knead: "kneads",
  specific: "works one place deeply",
  moving: "loosens what was worked",
};

const NAMED = 3;

type Name = (stroke: string) => string;

/** What others would lose, the most first: `24 s of shaking and 17 s of forearm glide`. */
function losses(gives: StrokeReason["instead"], name: Name): string {
  const taken = (gives ?? []).filter(({ seconds }) => seconds < 0).slice(0, NAMED);
  return listed(taken.map(({ stroke, seconds }) => `${span(-seconds)} of ${name(stroke)}`));
}

/** Why a stroke is there, in plain sentences. */
export function whyStroke(reason: StrokeReason, name: Name): string {
  const purpose = [PURPOSES[reason.purpose], reason.first && "new to this session", reason.liked && "wanted"];
  const said = [
    `${capital(name(reason.stroke))}, ${span(reason.seconds)}: ${purpose.filter(isText).join("; ")}.`,
  ];
  const comes = (reason.instead ?? []).filter(({ seconds }) => seconds > 0).slice(0, 2);
  if (comes.length > 0)
    said.push(`Without it ${listed(comes.map(({ stroke }) => name(stroke)))} would come.`);
  const lost = losses(reason.minute, name);
  if (lost) said.push(`Up to a minute more of it would take ${lost}.`);
  return said.join(" ");
}

/** Why another stroke is not there: what it would take. */
export function whyNotStroke(reason: StrokeReason, name: Name): string {
  const lost = losses(reason.instead, name);
  const weighs = reason.purpose !== "moving" && reason.purpose !== "dry";
  const lighter = weighs && reason.lighter > 0 ? ", and it is lighter than wished" : "";
  return lost
    ? `${capital(name(reason.stroke))} would take ${lost}${lighter}.`
    : `${capital(name(reason.stroke))} does not fit the time here.`;
}

function isText(part: string | false): part is string {
  return Boolean(part);
}
