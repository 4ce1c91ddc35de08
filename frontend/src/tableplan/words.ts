import { shared } from "../phrases/screens/shared";
import { say } from "../phrases/screens/tableplan";
/** The table plan in words, for those who do not see it. */

import { capital, listed, placeName, placeWord, sided, spoken, zoneName } from "../phrases/words";
import type { Moment, Names } from "./moment";

export function inWords({ entry, excluded, barred, pregnant, alone }: Moment, names: Names): string {
  const position = names.positions[entry.position]?.name ?? entry.position;
  const region = names.regions[entry.region];
  const window = names.windows[entry.window];
  const stroke = names.strokes[entry.stroke ?? ""];
  const where = placeWord(entry.place, entry.position);
  const open =
    entry.window === "none" || entry.window === "clothed"
      ? say.nothingIsUncovered
      : `Uncovered: ${entry.window_side === "mid" ? "" : `${entry.window_side} `}${window?.name ?? entry.window}.`;
  const work = stroke
    ? say.strokeOn(
        capital(stroke.name),
        region ? sided(region, entry.side) : entry.region,
        entry.zone ? `, ${zoneName(entry.zone, region)}` : "",
        spoken(stroke.direction),
      )
    : "";
  const off = [
    ...barred.map((id) => names.regions[id]?.whole ?? id),
    ...excluded.map((place) => placeName(place, names)),
  ];
  return [
    say.clientIs(position, pregnant ? ", pregnant" : ""),
    open,
    alone
      ? ""
      : where === "away"
        ? say.youAreAtBasin
        : say.youAre(
            entry.seated ? "sit" : "stand",
            where === "behind"
              ? "behind"
              : where === "head" || where === "foot"
                ? `at the ${where}`
                : `on the client’s ${where}`,
          ),
    work,
    off.length > 0 ? shared.keepOffPlaces(listed(off)) : "",
  ]
    .filter(Boolean)
    .join(" ");
}
