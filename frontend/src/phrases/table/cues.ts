/** What to do now, in few words: the name, how, and where. */
import type { Catalogue, Entry } from "../../api/client";
import type { Change, TableEntry } from "../../tableside/past";
import { bareName, capital, depthWord, glideName, listed, sided, walkWords, zoneName } from "../words";

export interface CueWords {
  place: string;
  name: string;
  detail: string;
  how: string;
  /** What the client is asked meanwhile. */
  asks?: string;
}

const RECHECK = "recheck";
const NUMBER_AGAIN = "Ask: which number now, 0 to 10?";
const LIGHTER_OR_DEEPER = "lighter, just right, deeper?";

const DIRECTIONS: Record<string, string> = {
  toward_heart: "toward the heart",
  away: "outward",
  clockwise: "clockwise",
  along_fibre: "along the fibres",
  across: "across",
  still: "still",
};

/** What of the place is only passed over lightly. */
export function easedOver(entry: Pick<Entry, "eases_over">): string {
  return entry.eases_over?.length ? `Lighter over ${listed(entry.eases_over)}.` : "";
}

export function cueFor(entry: TableEntry, catalogue: Catalogue): CueWords {
  if (entry.way && entry.way.length > 1) return wayCue(entry, entry.way, catalogue);
  const place = placeOf(entry, catalogue);
  return entry.kind === "stroke"
    ? strokeCue(entry, place, catalogue)
    : transitionCue(entry, place, catalogue);
}

function placeOf(entry: Entry, catalogue: Catalogue): string {
  const region = catalogue.regions[entry.region];
  return capital(region ? sided(region, entry.side) : entry.region);
}

/** The part, with its zone; where a long stroke runs over more than it, from where to where. */
function workedPlace(entry: Entry, place: string, catalogue: Catalogue): string {
  if (entry.over?.length) {
    const side = entry.side === "mid" || entry.side === "both" ? "" : `${entry.side} `;
    return capital(`${side}${glideName([entry.region, ...entry.over], catalogue)}`);
  }
  return entry.zone ? `${place}, ${zoneName(entry.zone, catalogue.regions[entry.region])}` : place;
}

/** A whole way past what is left out: its chief change by name, the others in their order. */
function wayCue(entry: Entry, way: readonly Change[], catalogue: Catalogue): CueWords {
  const named = (change: Pick<Entry, "kind" | "about" | "about_side">) =>
    transitionCue({ ...entry, ...change }, placeOf(entry, catalogue), catalogue);
  const chief = named(entry);
  return {
    ...chief,
    detail: way.map((change) => named(change).name).join(" · "),
  };
}

function strokeCue(entry: Entry, place: string, catalogue: Catalogue): CueWords {
  const stroke = catalogue.strokes[entry.stroke ?? ""];
  const tool = catalogue.tools[entry.tool ?? ""]?.name;
  const breaths = stroke?.pass.kind === "breaths";
  const count = `${entry.passes} ${breaths ? "breath" : entry.passes === 1 ? "pass" : "passes"}${breaths && entry.passes !== 1 ? "s" : ""}`;
  const direction = DIRECTIONS[stroke?.direction ?? ""];
  return {
    place: workedPlace(entry, place, catalogue),
    name: capital(stroke?.name ?? ""),
    detail: [tool, `depth ${entry.depth}, ${depthWord[entry.depth ?? 1]}`, direction, count]
      .filter(Boolean)
      .join(" · "),
    how: [
      entry.support && holdingHand(entry.side),
      stroke?.cue && `“${stroke.cue.command} … ${stroke.cue.release}.”`,
      stroke?.how,
      easedOver(entry),
    ]
      .filter(Boolean)
      .join(" "),
    ...(entry.stroke === RECHECK && { asks: NUMBER_AGAIN }),
    ...(entry.asks && { asks: `Ask: ${LIGHTER_OR_DEEPER}` }),
  };
}

/** Which hand holds the head, seen from the head of the table: the one away from the side that is worked. */
function holdingHand(side: Entry["side"]): string {
  if (side === "right") return "Your left hand holds the head.";
  if (side === "left") return "Your right hand holds the head.";
  return "One hand holds the head while the other works; change hands for the other side.";
}

function transitionCue(entry: Entry, place: string, catalogue: Catalogue): CueWords {
  const window = catalogue.windows[entry.about];
  const side = entry.about_side === "mid" ? "" : `${entry.about_side} `;
  const position = catalogue.positions[entry.about];
  const detail = `about ${entry.seconds} s`;
  switch (entry.kind) {
    case "open_window":
      return {
        place,
        name: `Uncover the ${side}${bareName(window)}`,
        detail,
        how: [window?.instruction, window?.limit].filter(Boolean).join(" "),
      };
    case "close_window":
      return {
        place,
        name: `Cover the ${side}${bareName(window)}`,
        detail,
        how: "Sheet first, then blanket. Is anything left to do here?",
      };
    case "turn":
      return {
        place: "Turn",
        name: `Turn to ${position?.name ?? ""}`,
        detail,
        how: [
          "Trap the sheet with your body against the table, lift the near edge into a tent, and let the client turn toward you. The drape settles before you move.",
          capital(position?.setup.join(". ") ?? ""),
        ].join(" "),
      };
    case "sit_back":
      return {
        place: "Turn",
        name: capital(position?.name ?? ""),
        detail,
        how: position?.setup.join(". ") ?? "",
      };
    case "stool":
      return entry.about === "fetch"
        ? { place, name: "Fetch the stool", detail, how: "Sit close, feet flat, shoulders low." }
        : { place, name: "Put the stool back", detail, how: "Out of the way of your feet." };
    case "height":
      return {
        place,
        name: entry.about === "low" ? "Table down" : "Table up",
        detail,
        how:
          entry.about === "low"
            ? "Low enough to lean with straight arms; one hand stays on the client."
            : "High enough to work with a straight back; one hand stays on the client.",
      };
    case "towel":
      return { place, name: "Hot towel", detail, how: "Test it on your own forearm first." };
    case "wipe":
      return entry.about === "hands"
        ? { place, name: "Wipe your hands", detail, how: "Palms, fingers and wrists, before you go on." }
        : { place, name: "Wipe the oil off", detail, how: "So that the grip does not slip." };
    case "bolster":
      return { place: "Turn", name: "Move the bolster", detail, how: position?.setup.join(". ") ?? "" };
    case "wash":
      return { place, name: "Wash hands", detail, how: "Say that you step away, and come back softly." };
    case "walk":
      return {
        place,
        name: capital(walkWords(entry.about, entry.position)),
        detail,
        how: "Keep one hand in contact as you go.",
      };
    case "check_in":
      return {
        place,
        name: "Ask",
        detail: LIGHTER_OR_DEEPER,
        how: "In few words, and tap the answer. A held breath or curled toes have answered already.",
      };
    case "oil":
      return {
        place,
        name: "Oil",
        detail,
        how: "Warm a little oil in your hands; never pour it on the client.",
      };
    default:
      return { place, name: "Rest the hands", detail, how: "Let your hands say where you go next." };
  }
}
