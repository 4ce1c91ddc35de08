import type { Catalogue, Entry } from "../api/client";
import { bareName, walkWords } from "./words";

/** What is done between strokes, in few words: `uncover the left leg`, `turn to supine`. */
export function transitionWord(entry: Entry, catalogue: Catalogue): string {
  const window = bareName(catalogue.windows[entry.about]);
  const side = entry.about_side === "mid" ? "" : `${entry.about_side} `;
  switch (entry.kind) {
    case "turn":
      return `turn to ${catalogue.positions[entry.about]?.name ?? entry.about}`;
    case "sit_back":
      return catalogue.positions[entry.about]?.name ?? entry.about;
    case "bolster":
      return "move the bolster";
    case "stool":
      return entry.about === "fetch" ? "fetch the stool" : "put the stool back";
    case "height":
      return entry.about === "low" ? "table down" : "table up";
    case "towel":
      return "fetch a hot towel";
    case "wipe":
      return entry.about === "hands" ? "wipe the hands" : "wipe the oil off";
    case "walk":
      return `${walkWords(entry.about, entry.position)}${entry.seconds === 0 ? " meanwhile" : ""}`;
    case "wash":
      return "wash hands";
    case "open_window":
      return `uncover the ${side}${window}`;
    case "close_window":
      return `cover the ${side}${window}`;
    case "announce":
      return "rest the hands there first";
    case "oil":
      return "warm oil in the hands";
    case "check_in":
      return "ask about the pressure";
    default:
      return entry.kind;
  }
}
