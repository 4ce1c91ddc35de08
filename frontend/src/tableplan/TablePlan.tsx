import { type PointerEvent, useId, useMemo, useRef } from "react";
import { say } from "../phrases/screens/tableplan";
import { layTablePlan, type Spot } from "./layout";
import type { Moment, Names } from "./moment";
import { Footprint, Patterns, Sheet } from "./parts";
import { useHeld } from "./useHeld";

interface Props {
  moment: Moment;
  catalogue: Names;
  /** What can be pointed at; without it the regions that are seen are only named. */
  spots?: readonly Spot[];
  chosen?: string | null;
  /** Places that are shaded, by the key of their spot, from 0 (not) to 1. */
  shaded?: Readonly<Record<string, number>>;
  /** How the edge of a shaded place is drawn: the surer, the more whole. */
  edged?: Readonly<Record<string, "whole" | "dashed" | "dotted">>;
  /** Before anybody lies there: what holds the client up, in place of what is worked. */
  seesSupports?: boolean;
  onPick?: (spot: Spot) => void;
  /** A place that is held down instead of tapped. */
  onHold?: ((spot: Spot) => void) | undefined;
  /** How far a pressed place has been dragged, in pixels: up and to the right is more. 0 is the press itself. */
  onDrag?: ((spot: Spot, pixels: number) => void) | undefined;
}

const EDGES = { whole: "none", dashed: "5 2.5", dotted: "0.5 2.5" } as const;

/** Straight down on the table, chair or mat: the client as they lie, cloth, bolsters, strokes, and where one stands. */
export function TablePlan({
  moment,
  catalogue,
  spots,
  chosen,
  shaded,
  edged,
  seesSupports,
  onPick,
  onHold,
  onDrag,
}: Props) {
  const layout = useMemo(() => layTablePlan(moment, catalogue), [moment, catalogue]);
  const id = useId();
  const picked = spots ?? layout.spots;
  const pressed = useRef<[number, number]>(undefined);
  const tapping = useHeld<Spot>((spot) => onPick?.(spot), onHold);
  const dragging = (spot: Spot) =>
    onDrag && {
      onPointerDown: (event: PointerEvent<SVGPathElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        pressed.current = [event.clientX, event.clientY];
        onDrag(spot, 0);
      },
      onPointerMove: (event: PointerEvent<SVGPathElement>) => {
        if (!pressed.current) return;
        const [x, y] = pressed.current;
        onDrag(spot, event.clientX - x + (y - event.clientY));
      },
      onPointerUp: () => {
        pressed.current = undefined;
      },
    };
  return (
    <svg
      viewBox={`0 0 ${layout.width} ${layout.height}`}
      role="img"
      aria-label={say.tablePlan(layout.says)}
      className="block w-full select-none"
    >
      <Patterns id={id} layout={layout} />
      {layout.surface.map(({ path, role }) =>
        role === "ground" ? (
          <path key={path} d={path} className="fill-base-200 stroke-base-300" strokeWidth={1} />
        ) : (
          <path key={path} d={path} className="fill-none stroke-base-300" strokeWidth={0.8} />
        ),
      )}
      {layout.supports.map((path) => (
        <path key={path} d={path} className="fill-base-300 stroke-quiet/50" strokeWidth={0.5} />
      ))}
      <g className="fill-[var(--wash)]">
        {layout.body.map((path) => (
          <path key={path} d={path} />
        ))}
        {layout.heads.map((path) => (
          <path key={path} d={path} className="stroke-base-200" strokeWidth={0.9} />
        ))}
        {layout.belly && <path d={layout.belly} />}
      </g>
      {layout.belly && <path d={layout.belly} className="fill-none stroke-quiet/60" strokeWidth={0.7} />}
      {layout.cloth && <Sheet id={id} layout={layout} />}
      {shaded &&
        layout.spots.map((spot) => (
          <path key={spot.key} d={spot.path} className="fill-tide-deep" opacity={shaded[spot.key] ?? 0} />
        ))}
      {edged &&
        layout.spots.map(({ key, path }) => {
          const edge = edged[key];
          return edge ? (
            <path
              key={key}
              d={path}
              className="fill-none stroke-base-content"
              strokeWidth={1.1}
              strokeLinecap="round"
              strokeDasharray={EDGES[edge]}
            />
          ) : null;
        })}
      {seesSupports
        ? layout.supports.map((path) => (
            <path
              key={path}
              d={path}
              className="fill-tide/15 stroke-primary"
              strokeWidth={1}
              strokeDasharray="2.5 1.5"
            />
          ))
        : layout.worked.map((path) => <path key={path} d={path} className="fill-tide" opacity={0.5} />)}
      {layout.zone.map((path) => (
        <path key={path} d={path} className="fill-tide-deep" opacity={0.85} />
      ))}
      {layout.hatched.map((path) => (
        <path key={path} d={path} fill={`url(#${id}-off)`} className="stroke-accent" strokeWidth={0.8} />
      ))}
      {onPick
        ? picked.map((spot) => (
            <path
              key={spot.key}
              d={spot.path}
              data-spot={spot.key}
              className={`${onDrag ? "cursor-grab touch-none" : "cursor-pointer"} stroke-primary hover:fill-primary/25 ${spot.key === chosen ? "fill-primary/40" : "fill-transparent"}`}
              strokeWidth={spots ? 0.6 : 0}
              {...tapping(spot)}
              {...dragging(spot)}
            >
              <title>{spot.name}</title>
            </path>
          ))
        : null}
      <g
        className="pointer-events-none fill-none stroke-base-content"
        strokeWidth={1.1}
        strokeLinecap="round"
      >
        {layout.arrows.map((path) => (
          <path key={path} d={path} />
        ))}
      </g>
      {layout.feet.map(([x, y]) => (
        <Footprint key={`${x} ${y}`} x={x} y={y} height={layout.height} />
      ))}
      {layout.seat && (
        <circle
          cx={layout.seat[0]}
          cy={layout.height / 2}
          r={8}
          className="fill-none stroke-primary"
          strokeWidth={1.6}
          strokeDasharray="3 2"
        />
      )}
      <text x={6} y={9} className="fill-quiet text-[7px] italic">
        {layout.rightIsUp ? "client’s right" : "client’s left"}
      </text>
      <text x={6} y={layout.height - 4} className="fill-quiet text-[7px] italic">
        {layout.rightIsUp ? "client’s left" : "client’s right"}
      </text>
    </svg>
  );
}
