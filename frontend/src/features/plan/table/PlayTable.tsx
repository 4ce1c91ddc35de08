import { type ReactNode, useEffect, useRef, useState } from "react";
import type { RunSheet } from "../../../api/client";
import { say } from "../../../phrases/screens/plan/table";
import { clock } from "../../../phrases/time";
import type { Pointed } from "../../../tideline/pointed";
import { Button } from "../../../ui/Button";

/** Seconds in which a whole session is played. */
const PLAYED_IN = 60;

interface Props {
  sheet: RunSheet;
  pointed: Pointed;
  /** What stands at the end of the row. */
  children: ReactNode;
}

/** Plays the session in a minute on the table plan: turns, drapes, walks. It can be held and moved by hand. */
export function PlayTable({ sheet, pointed, children }: Props) {
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  const second = useRef(0);

  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    let before = performance.now();
    // Without motion, the plan changes once for each second of playing: stills, not a film.
    const still = matchMedia("(prefers-reduced-motion: reduce)").matches ? 1000 : 80;
    function on(now: number) {
      frame = requestAnimationFrame(on);
      if (now - before < still) return;
      second.current += ((now - before) / 1000) * (sheet.seconds / PLAYED_IN);
      before = now;
      if (second.current >= sheet.seconds) {
        setPlaying(false);
        pointed.set(null);
        second.current = 0;
      } else pointed.set(entryAt(sheet, second.current));
      setAt(second.current);
    }
    frame = requestAnimationFrame(on);
    return () => cancelAnimationFrame(frame);
  }, [playing, sheet, pointed]);

  return (
    <div className="mt-1 flex items-center gap-3">
      <Button look="quiet" className="px-2.5" title={say.playItInMinute} onClick={() => setPlaying(!playing)}>
        {playing ? "Pause" : "Play"}
      </Button>
      <input
        type="range"
        className="min-h-11 min-w-0 flex-1 accent-primary"
        aria-label={say.momentOfSession}
        aria-valuetext={clock(at)}
        min={0}
        max={Math.max(sheet.seconds - 1, 1)}
        step={5}
        value={Math.min(at, sheet.seconds)}
        onChange={(event) => {
          second.current = Number(event.target.value);
          setAt(second.current);
          pointed.set(entryAt(sheet, second.current));
        }}
      />
      <span className="numbers w-14 text-right text-quiet">{clock(at)}</span>
      {children}
    </div>
  );
}

function entryAt(sheet: RunSheet, second: number) {
  return sheet.entries.find((e) => e.start <= second && second < e.start + e.seconds) ?? null;
}
