/** What two sessions are like in figures, side by side. */
import type { Difference, Evaluation } from "../api/client";
import { decimal, pouredWords } from "../phrases/measures";
import { say } from "../phrases/screens/compare";
import { shared } from "../phrases/screens/shared";
import { span } from "../phrases/time";
import { capital } from "../phrases/words";

export interface Figure {
  name: string;
  first: string;
  second: string;
  /** Whether the two differ enough to be worth a look. */
  differs: boolean;
}

/** Turns, walks, time between strokes, sides, hands and the arc of both. */
export function figuresOf(difference: Difference, first: Evaluation, second: Evaluation): Figure[] {
  const { before, after } = difference;
  return [
    figure("Turns", before.turns, after.turns, String),
    figure(say.walksRoundTable, before.walks, after.walks, String),
    figure("Between strokes", before.between, after.between, span, 30),
    figure(say.leftAgainstRight, first.verdicts.apart, second.verdicts.apart, span, 15),
    figure(
      say.thumbsOfAllStrokes,
      Math.round(100 * before.thumb_share),
      Math.round(100 * after.thumb_share),
      (n) => `${n} %`,
    ),
    figure(say.strainOnHands, first.hands.strain, second.hands.strain, decimal, 0.2),
    figure("Deepest", deepest(first), deepest(second), (n) => say.depth(n)),
    figure("Mean depth", meanDepth(first), meanDepth(second), decimal, 0.1),
    figure(
      "Oil",
      Math.round(first.supplies.millilitres),
      Math.round(second.supplies.millilitres),
      pouredWords,
      2,
    ),
    figure(shared.toLookAt, first.findings.length, second.findings.length, String),
  ];
}

function figure(
  name: string,
  first: number,
  second: number,
  words: (n: number) => string,
  worth = 1,
): Figure {
  return { name, first: words(first), second: words(second), differs: Math.abs(first - second) >= worth };
}

function strokes({ sheet }: Evaluation) {
  return sheet.entries.filter((entry) => entry.kind === "stroke");
}

function deepest(evaluation: Evaluation): number {
  return Math.max(0, ...strokes(evaluation).map((entry) => entry.depth ?? 0));
}

function meanDepth(evaluation: Evaluation): number {
  const all = strokes(evaluation);
  const seconds = all.reduce((sum, entry) => sum + entry.seconds, 0);
  return all.reduce((sum, entry) => sum + entry.seconds * (entry.depth ?? 0), 0) / Math.max(seconds, 1);
}

export interface RegionMinutes {
  region: string;
  name: string;
  first: number;
  second: number;
}

/** Seconds by region in both, all sides together, the longest first. */
export function minutesByRegion(difference: Difference, name: (region: string) => string): RegionMinutes[] {
  const { before, after } = difference;
  const regions = new Set([...Object.keys(before.by_region), ...Object.keys(after.by_region)]);
  return [...regions]
    .map((region) => ({
      region,
      name: capital(name(region)),
      first: before.by_region[region] ?? 0,
      second: after.by_region[region] ?? 0,
    }))
    .sort((a, b) => Math.max(b.first, b.second) - Math.max(a.first, a.second));
}
