import { type KeyboardEvent, type PointerEvent, useState } from "react";
import { say } from "../../phrases/screens/tideline/hand";
import { span } from "../../phrases/time";
import type { Swell } from "../swells";
import { pulledTo, STEP } from "./pull";

interface Props {
  swell: Swell;
  /** Its name, with the side. */
  name: string;
  /** Whole seconds that the part takes now. */
  seconds: number;
  pixelsPerSecond: number;
  top: number;
  bottom: number;
  /** Alt frees the other side. */
  onPull(seconds: number, alone: boolean): void;
}

/** The edge of the chosen part, to be pulled by pointer or by key; what it would take is shown while it is held. */
export function PullEdge({ swell, name, seconds, pixelsPerSecond, top, bottom, onPull }: Props) {
  const [held, setHeld] = useState<{ from: number; by: number; alone: boolean } | null>(null);
  const wanted = held ? pulledTo(seconds, held.by, pixelsPerSecond) : seconds;
  const x = swell.x1 + (held ? (wanted - seconds) * pixelsPerSecond : 0);

  function press(event: PointerEvent<SVGGElement>) {
    event.currentTarget.setPointerCapture(event.pointerId);
    setHeld({ from: event.clientX, by: 0, alone: event.altKey });
  }
  function pull(event: PointerEvent<SVGGElement>) {
    if (held) setHeld({ ...held, by: event.clientX - held.from, alone: event.altKey });
  }
  function letGo() {
    if (held && wanted !== seconds) onPull(wanted, held.alone);
    setHeld(null);
  }
  function key(event: KeyboardEvent<SVGGElement>) {
    const by = { ArrowRight: STEP, ".": STEP, ArrowLeft: -STEP, ",": -STEP }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    onPull(pulledTo(seconds, by * pixelsPerSecond, pixelsPerSecond), event.altKey);
  }

  return (
    <g>
      {held && (
        <rect
          x={swell.x0}
          y={top}
          width={Math.max(x - swell.x0, 1)}
          height={bottom - top}
          rx={6}
          className="pointer-events-none fill-primary/10 stroke-primary"
          strokeDasharray="3 5"
        />
      )}
      <g
        role="slider"
        tabIndex={0}
        aria-label={say.lengthOf(name)}
        aria-valuemin={STEP}
        aria-valuemax={1800}
        aria-valuenow={wanted}
        aria-valuetext={span(wanted)}
        className="group cursor-ew-resize touch-none outline-none"
        onPointerDown={press}
        onPointerMove={pull}
        onPointerUp={letGo}
        onPointerCancel={() => setHeld(null)}
        onKeyDown={key}
      >
        <rect x={x - 12} y={top} width={24} height={bottom - top} className="fill-transparent" />
        <rect
          x={x - 3}
          y={(top + bottom) / 2 - 26}
          width={6}
          height={52}
          rx={3}
          className="fill-primary group-focus-visible:stroke-base-content group-focus-visible:[stroke-width:3]"
        />
      </g>
      {held && (
        <text x={x} y={top - 4} textAnchor="middle" className="fill-base-content text-[15px] font-bold">
          {span(wanted)}
          {swell.side !== "mid" && (held.alone ? say.thisSideOnly : ", both sides")}
        </text>
      )}
    </g>
  );
}
