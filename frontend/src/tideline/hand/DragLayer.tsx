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
  const { carried, layout, landings, takenAt, onDrop, onEnd } = props;
  const { swells, name } = carried;
  const [by, setBy] = useState({ x: 0, y: 0 });
  const moving = swells.map((swell) => swell.partId);
  const places = gaps(layout.swells, moving, props.left, props.right);
  const middle = ((swells[0]?.x0 ?? 0) + (swells.at(-1)?.x1 ?? 0)) / 2 + by.x;
  const gap = nearestGap(places, middle);
  const landing = landings?.find((one) => one.at === gap?.at);

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
