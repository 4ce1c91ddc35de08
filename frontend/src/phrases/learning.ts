/** What is learnt of a region, in words. */
import type { StartDepth } from "../api/client";
import { depthWord } from "./words";

const SURE: Record<StartDepth["sureness"], string> = {
  sure: "sure",
  fairly_sure: "fairly sure",
  not_known: "a guess so far",
};

/** `starts at 3, medium; as last time; sure`, and whether to ask early. */
export function says(start: StartDepth): string {
  const word = depthWord[Math.floor(start.depth)] ?? "";
  const parts = [`starts at ${start.depth}, ${word}`, start.why, SURE[start.sureness]];
  return parts.join("; ") + (start.ask_early ? ": ask early" : "");
}

/** `as usual`, `12 % slower`, `5 % faster`. */
export function paceWords(factor: number): string {
  const percent = Math.round((factor - 1) * 100);
  if (Math.abs(percent) < 3) return "as usual";
  return percent > 0 ? `${percent} % slower` : `${-percent} % faster`;
}
