import type { RunSheet } from "../api/client";
import { useCatalogue } from "../api/useCatalogue";
import { say } from "../phrases/screens/tideline";
import { span } from "../phrases/time";
import { transitionWord } from "../phrases/transitionWord";
import { capital, depthWord, sided, zoneName } from "../phrases/words";
import { type Pointed, usePointed } from "./pointed";

interface Props {
  pointed: Pointed;
  sheet: RunSheet;
  /** The part that is told of while nothing is pointed at. */
  selected: string | null;
}

/** In one line, what is done at the moment under the pointer, or where the selected part begins. */
export function PointedLine({ pointed, sheet, selected }: Props) {
  const catalogue = useCatalogue();
  const under = usePointed(pointed);
  const entry = under ?? sheet.entries.find((one) => one.part_id === selected && one.kind === "stroke");
  if (!entry) return null;
  const region = catalogue.regions[entry.region];
  const stroke = catalogue.strokes[entry.stroke ?? ""];
  const where = capital(region ? sided(region, entry.side) : entry.region);
  const what = stroke
    ? [
        `${capital(stroke.name)}${entry.zone ? `, ${zoneName(entry.zone, region)}` : ""}`,
        catalogue.tools[entry.tool ?? ""]?.name,
        `depth ${entry.depth}, ${depthWord[entry.depth ?? 1]}`,
        span(entry.seconds),
      ]
    : [transitionWord(entry, catalogue), span(entry.seconds)];
  return (
    <>
      <span className="numbers">{say.at(span(entry.start))}</span>{" "}
      <span className="font-bold text-base-content">{where}</span> · {what.filter(Boolean).join(" · ")}
    </>
  );
}
