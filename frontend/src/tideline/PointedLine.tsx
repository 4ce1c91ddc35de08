import type { Catalogue } from "../api/client";
import { clock, span } from "../lib/time";
import { capital, depthWord, sided, spoken } from "../lib/words";
import { type Pointed, usePointed } from "./pointed";

/** In one line, what is done at the moment under the pointer. */
export function PointedLine({ pointed, catalogue }: { pointed: Pointed; catalogue: Catalogue }) {
  const entry = usePointed(pointed);
  if (!entry) return null;
  const region = catalogue.regions[entry.region];
  const stroke = catalogue.strokes[entry.stroke ?? ""];
  const where = capital(region ? sided(region, entry.side) : entry.region);
  const what = stroke
    ? [
        `${capital(stroke.name)}${entry.zone ? `, ${spoken(entry.zone)}` : ""}`,
        catalogue.tools[entry.tool ?? ""]?.name,
        `depth ${entry.depth}, ${depthWord[entry.depth ?? 1]}`,
        span(entry.seconds),
      ]
    : [`on the way to it, ${span(entry.seconds)}`];
  return (
    <>
      <span className="numbers">{clock(entry.start)}</span>{" "}
      <span className="font-bold text-base-content">{where}</span> · {what.filter(Boolean).join(" · ")}
    </>
  );
}
