/** The run sheet as lines to be read from the table. */
import type { Catalogue, Entry, RunSheet, SessionView } from "../../api/client";
import { say } from "../../phrases/screens/sheet";
import { plainWay } from "../../phrases/table/plainSentence";
import { span } from "../../phrases/time";
import { transitionWord } from "../../phrases/transitionWord";
import { capital, glideName, sided, zoneName } from "../../phrases/words";

export interface PartLines {
  id: string;
  start: number;
  seconds: number;
  name: string;
  /** What is done before it, in order. */
  before: string[];
  strokes: string[];
  position: string;
}

type Flow = SessionView["plan"]["flow"];

/** Each part with what comes before it and its strokes in few words. */
export function linesOf(flow: Flow, sheet: RunSheet, catalogue: Catalogue): PartLines[] {
  return flow.parts.map((part) => {
    const ask = flow.brief.plain_words ? say.askHowDeep : "ask";
    const own = sheet.entries.filter((entry) => entry.part_id === part.id);
    const working = own.filter((entry) => entry.working);
    const region = catalogue.regions[part.region];
    const name = region ? sided(region, part.side) : part.region;
    const role = { open: "First contact, ", work: "", integrate: "Rest, ", close: "Close, " }[
      part.role ?? "work"
    ];
    return {
      id: part.id,
      start: working[0]?.start ?? own[0]?.start ?? 0,
      seconds: working.reduce((sum, entry) => sum + entry.seconds, 0),
      name: capital(role + name),
      before: own
        .filter((entry) => !entry.working && entry.kind !== "announce")
        .map((entry) => transitionWord(entry, catalogue))
        .filter(Boolean),
      strokes: working
        .flatMap((entry) => [stroke(entry, ask, flow, catalogue), entry.asks ? ask : ""])
        .filter(Boolean),
      position: part.position,
    };
  });
}

function stroke(entry: Entry, ask: string, flow: Flow, catalogue: Catalogue): string {
  if (entry.kind === "check_in") return ask;
  if (entry.kind === "towel") return "hot towel";
  if (entry.kind === "wipe") return "wipe";
  if (entry.kind === "walk") return transitionWord(entry, catalogue);
  if (entry.kind !== "stroke") return "";
  const step = flow.parts[entry.part]?.steps[entry.step ?? 0];
  const name = catalogue.strokes[entry.stroke ?? ""]?.name ?? "";
  const long = entry.over?.length ? ` ${glideName([entry.region, ...entry.over], catalogue)}` : "";
  const where = entry.zone ? ` ${zoneName(entry.zone, catalogue.regions[entry.region])}` : long;
  if (flow.brief.plain_words)
    return [capital(plainWay(entry, catalogue)), where.trim(), span(entry.seconds)]
      .filter(Boolean)
      .join(", ");
  const words = [step?.with_breath && "out", step?.note].filter(Boolean).join("; ");
  const note = words ? ` (${words})` : "";
  return `${name}${where} ${entry.depth}/${entry.passes}${note}`;
}
