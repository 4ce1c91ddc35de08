import { type KeyboardEvent, type PointerEvent, useState } from "react";
import { say } from "../../phrases/screens/tideline/hand";
import { span } from "../../phrases/time";
import { LONGEST, pulledTo, STEP } from "./pull";

interface Props {
  /** Where it begins and ends on the page. */
  x0: number;
  x1: number;
  top: number;
  bottom: number;
  /** Its name, with the side. */
  name: string;
  /** Whole seconds that it takes now. */
  seconds: number;
  pixelsPerSecond: number;
  /** All that is worked as one: its grip lies along the foot, beside that of the part. */
  whole?: boolean;
  /** Whether the other side goes with it. */
  sided: boolean;
  /** Alt frees the other side. */
  onPull(seconds: number, alone: boolean): void;
}

/** Pixels of a grip along the foot. */
const FOOT = 26;

/** An edge to be pulled by pointer or by key: of the chosen part, or of all that is worked as one with it. What it would
 * take is shown while it is held. */
export function PullEdge(props: Props) {
  const { x0, x1, top, bottom, name, seconds, pixelsPerSecond, whole = false, onPull } = props;
  const [held, setHeld] = useState<{ from: number; by: number; alone: boolean } | null>(null);
  const wanted = held ? pulledTo(seconds, held.by, pixelsPerSecond) : seconds;
  const x = x1 + (held ? (wanted - seconds) * pixelsPerSecond : 0);

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

  const reach = whole
    ? { y: bottom - FOOT - 6, height: FOOT + 18 }
    : { y: top, height: bottom - top - FOOT - 6 };
  const grip = whole ? { y: bottom - FOOT, height: FOOT } : { y: (top + bottom) / 2 - 26, height: 52 };
  return (
    <g>
      {held && (
        <rect
          x={x0}
          y={top}
          width={Math.max(x - x0, 1)}
          height={bottom - top}
          rx={6}
          className="pointer-events-none fill-primary/10 stroke-primary"
          strokeDasharray="3 5"
        />
      )}
      {whole && (
        <line
          x1={x0}
          x2={x}
          y1={bottom - 3}
          y2={bottom - 3}
          className="pointer-events-none stroke-primary"
          strokeWidth={2}
        />
      )}
      <g
        role="slider"
        tabIndex={0}
        aria-label={say.lengthOf(name)}
        aria-valuemin={STEP}
        aria-valuemax={LONGEST}
        aria-valuenow={wanted}
        aria-valuetext={span(wanted)}
        className="group cursor-ew-resize touch-none outline-none"
        onPointerDown={press}
        onPointerMove={pull}
        onPointerUp={letGo}
        onPointerCancel={() => setHeld(null)}
        onKeyDown={key}
      >
        <rect x={x - 12} y={reach.y} width={24} height={reach.height} className="fill-transparent" />
        <rect
          x={x - 3}
          y={grip.y}
          width={6}
          height={grip.height}
          rx={3}
          className="fill-primary group-focus-visible:stroke-base-content group-focus-visible:[stroke-width:3]"
        />
      </g>
      {held && (
        <text x={x} y={top - 4} textAnchor="middle" className="fill-base-content text-[15px] font-bold">
          {span(wanted)}
          {props.sided && (held.alone ? say.thisSideOnly : ", both sides")}
        </text>
      )}
    </g>
  );
}
