import { useEffect, useState } from "react";
import type { Landing } from "../../api/client";
import type { TideLayout } from "../layout";
import type { Swell } from "../swells";
import { gaps, landingWords, nearestGap } from "./landing";

/** What is in the hand: one part, or all that are worked as one, from left to right. */
export interface Carried {
  swells: readonly Swell[];
  name: string;
}

interface Props {
  carried: Carried;
  /** The part that was taken up, where all that is worked as one with it is carried: it goes alone where only it may. */
  alone: { carried: Carried; landings: readonly Landing[] } | undefined;
  /** Where on the page it was taken up. */
  takenAt: { x: number; y: number };
  layout: TideLayout;
  /** Not yet known while they are being worked out. */
  landings: readonly Landing[] | undefined;
  left: number;
  right: number;
  top: number;
  bottom: number;
  onDrop(landing: Landing, name: string): void;
  onEnd(): void;
}

const LETTER = 8;

/** What is in the hand follows the pointer, and the place it would go to says whether it may. */
export function DragLayer(props: Props) {
  const { layout, takenAt, onDrop, onEnd } = props;
  const [by, setBy] = useState({ x: 0, y: 0 });

  function over(carried: Carried, landings: readonly Landing[] | undefined) {
    const moving = carried.swells.map((swell) => swell.partId);
    const places = gaps(layout.swells, moving, props.left, props.right);
    const [first, last] = [carried.swells[0], carried.swells.at(-1)];
    const gap = nearestGap(places, ((first?.x0 ?? 0) + (last?.x1 ?? 0)) / 2 + by.x);
    return { ...carried, gap, landing: landings?.find((one) => one.at === gap?.at) };
  }
  const together = over(props.carried, props.landings);
  const alone =
    together.landing?.why_not && props.alone ? over(props.alone.carried, props.alone.landings) : null;
  const goesAlone = alone?.landing && !alone.landing.why_not && !alone.landing.here;
  const { swells, name, gap, landing } = goesAlone ? alone : together;

  useEffect(() => {
    const move = (event: PointerEvent) =>
      setBy({ x: event.clientX - takenAt.x, y: event.clientY - takenAt.y });
    const end = () => {
      if (landing && !landing.here && !landing.why_not) onDrop(landing, name);
      onEnd();
    };
    const cancel = (event: KeyboardEvent) => event.key === "Escape" && onEnd();
    addEventListener("pointermove", move);
    addEventListener("pointerup", end);
    addEventListener("pointercancel", onEnd);
    addEventListener("keydown", cancel);
    return () => {
      removeEventListener("pointermove", move);
      removeEventListener("pointerup", end);
      removeEventListener("pointercancel", onEnd);
      removeEventListener("keydown", cancel);
    };
  }, [takenAt, landing, name, onDrop, onEnd]);

  const barred = Boolean(landing?.why_not);
  const words = landingWords(name, landing);
  const half = (words.length * LETTER) / 2;
  return (
    <g className="pointer-events-none" data-testid="drag">
      {gap && (
        <line
          x1={gap.x}
          x2={gap.x}
          y1={props.top}
          y2={props.bottom}
          className={barred ? "stroke-accent" : "stroke-primary"}
          strokeWidth={barred ? 2 : 4}
          strokeDasharray={barred ? "2 6" : undefined}
          strokeLinecap="round"
        />
      )}
      <g transform={`translate(${by.x} ${Math.max(-24, Math.min(24, by.y))})`} opacity={0.75}>
        {swells.map((swell) => (
          <path key={swell.partId} d={`${swell.above} ${swell.below}`} className="fill-tide-deep" />
        ))}
      </g>
      {gap && (
        <text
          x={Math.min(Math.max(gap.x, props.left + half), props.right - half)}
          y={props.top - 8}
          textAnchor="middle"
          strokeWidth={6}
          className={`stroke-base-100 text-[15px] font-bold [paint-order:stroke] ${barred ? "fill-accent" : "fill-base-content"}`}
        >
          {words}
        </text>
      )}
    </g>
  );
}
