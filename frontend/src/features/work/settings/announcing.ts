/** What is announced, and how: a soft tone, the browser's own voice, a short buzz. */
import type { Catalogue, Entry } from "../../../api/client";
import { type CueWords, cueFor } from "../../../phrases/table/cues";
import type { TableSettings } from "./useTableSettings";

const TURNS = new Set(["turn", "sit_back"]);

/** Whether coming to `entry` from `before` is announced. */
export function isAnnounced(
  before: Entry | undefined,
  entry: Entry,
  announces: TableSettings["announces"],
): boolean {
  if (announces === "turns") return TURNS.has(entry.kind);
  if (announces === "parts") return before?.part_id !== entry.part_id;
  return true;
}

/** What the voice says: the name, and where, if that is new. */
export function spokenCue(before: Entry | undefined, entry: Entry, catalogue: Catalogue): string {
  const cue: CueWords = cueFor(entry, catalogue);
  const where = before?.part_id === entry.part_id ? undefined : cue.place;
  return [where, cue.name, cue.asks].filter(Boolean).join(". ");
}

/** Voices that need no network, those of the page's language first. */
export function ownVoices(): SpeechSynthesisVoice[] {
  const language = navigator.language.slice(0, 2);
  return (window.speechSynthesis?.getVoices() ?? [])
    .filter((voice) => voice.localService)
    .sort((a, b) => Number(b.lang.startsWith(language)) - Number(a.lang.startsWith(language)));
}

export function speak(words: string) {
  const [voice] = ownVoices();
  if (!voice) return;
  const saying = new SpeechSynthesisUtterance(words);
  saying.voice = voice;
  saying.lang = voice.lang;
  saying.volume = 0.6;
  saying.rate = 0.9;
  speechSynthesis.cancel();
  speechSynthesis.speak(saying);
}

let sounding: AudioContext | null = null;

/** Two soft tones, a fifth apart, that swell and fade in a good second. */
export function chime() {
  sounding ??= new AudioContext();
  // A browser lets a page sound only once it has been touched.
  void sounding.resume();
  const start = sounding.currentTime;
  for (const [pitch, loud] of [
    [392, 0.06],
    [588, 0.03],
  ] as const) {
    const tone = sounding.createOscillator();
    const swell = sounding.createGain();
    tone.frequency.value = pitch;
    swell.gain.setValueAtTime(0, start);
    swell.gain.linearRampToValueAtTime(loud, start + 0.15);
    swell.gain.exponentialRampToValueAtTime(0.0001, start + 1.3);
    tone.connect(swell).connect(sounding.destination);
    tone.start(start);
    tone.stop(start + 1.3);
  }
}
