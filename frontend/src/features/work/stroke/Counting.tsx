import { say } from "../../../phrases/screens/work/stroke";
import type { DeviceClock } from "../run/deviceClock";
import { useNow } from "../run/useNow";
import { type Beats, beatAt } from "./beats";

interface Props {
  beats: Beats;
  /** When this step began, in ms since 1970; null while time stands still. */
  since: number | null;
  clock: DeviceClock;
}

/** A step that counts by itself: a swell that breathes, a command and its release, the seconds of a hold. */
export function Counting({ beats, since, clock }: Props) {
  const now = useNow(250, clock);
  const beat = beatAt(beats, since === null ? 0 : Math.max(0, (now - since) / 1000));
  const first = beat.half === "first";
  return (
    <div className="flex flex-col items-center gap-[1cqh]" data-testid="counting">
      {beats.kind === "breath" && <Swell high={first} seconds={beats.each / 2} />}
      <p className="text-[clamp(1.4rem,min(3.2vw,10cqh),3.2rem)] leading-tight">
        {beat.over ? say.enoughGoOnSoftly : words(beats, beat)}
        {beats.passes > 1 && (
          <span className="numbers ml-4 text-[0.62em] text-quiet">{say.of(beat.pass, beats.passes)}</span>
        )}
      </p>
    </div>
  );
}

function words({ kind, cue, each }: Beats, { half, seconds }: ReturnType<typeof beatAt>): string {
  if (kind === "strip") return "Strip";
  const first = half === "first";
  if (kind === "breath") return first ? say.breathInRelease : say.breathOutSinkIn;
  if (kind === "active" && cue) return first ? `“${cue.command} …”` : `“… ${cue.release || say.andLetGo}.”`;
  return say.holdOfS(seconds, Math.round(each));
}

/** Rises with the breath in and sinks with the breath out, as slowly as the client breathes. */
function Swell({ high, seconds }: { high: boolean; seconds: number }) {
  return (
    <svg
      viewBox="0 0 240 60"
      className="h-[15cqh] w-[min(60vw,28rem)]"
      aria-hidden="true"
      preserveAspectRatio="none"
    >
      <path
        d="M0 60C60 60 70 6 120 6s60 54 120 54z"
        className="origin-bottom fill-tide motion-reduce:!transition-none"
        style={{
          transform: `scaleY(${high ? 1 : 0.25})`,
          transition: `transform ${seconds}s ease-in-out`,
        }}
      />
      <path d="M0 59.5h240" className="stroke-base-content/40" vectorEffect="non-scaling-stroke" />
    </svg>
  );
}
