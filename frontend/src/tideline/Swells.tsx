import { type KeyboardEvent, memo, type PointerEvent, useRef } from "react";
import { useCatalogue } from "../api/useCatalogue";
import { STEP } from "./hand/pull";
import type { TideLayout } from "./layout";
import { describe } from "./names";
import type { Swell } from "./swells";

/** What can be done to a part of the line; nothing where it is only looked at. */
export interface PartActions {
  /** Makes it so many seconds longer or shorter. */
  onNudge(swell: Swell, by: number): void;
  onMove(partId: string, by: -1 | 1): void;
  onMirror(partId: string): void;
  /** One side of a pair gets no work in this session, and the other keeps its own. */
  onLeaveSideOut(partId: string): void;
  /** Takes the part away; `whole`: leaves its region out for good. */
  onRemove(part: Pick<Swell, "partId" | "region">, whole: boolean): void;
  onSplit(partId: string): void;
  /** It is taken up by the pointer. */
  onTakeUp(swell: Swell, at: { x: number; y: number }): void;
  /** It may be taken up soon. */
  onTouch(partId: string): void;
}

interface Props {
  layout: TideLayout;
  water: string;
  selected: string | null;
  /** Those in the hand, drawn faintly where they were. */
  moving: readonly string[];
  top: number;
  bottom: number;
  onSelect(partId: string): void;
  onNear(swell: Swell | null): void;
  actions: PartActions | undefined;
}

/** Pixels the pointer moves before a press is a drag. */
const SLACK = 6;

/** The swells, each a part: to be chosen, walked along by keys, taken up by the pointer. */
export const Swells = memo(function Swells(props: Props) {
  const { layout, selected, moving, actions, onSelect } = props;
  const catalogue = useCatalogue();
  const pressed = useRef<{ swell: Swell; x: number; y: number } | null>(null);
  const chosen = (swell: Swell) => selected !== null && swell.partIds.includes(selected);
  const focusable = layout.swells.find(chosen) ?? layout.swells[0];

  function key(event: KeyboardEvent<SVGGElement>, index: number) {
    const here = layout.swells[index];
    if (!here || event.ctrlKey || event.metaKey) return;
    const done = act(event, here) || walk(event, index);
    if (done) event.preventDefault();
  }

  /** What a key does to a part; whether it did anything. */
  function act(event: KeyboardEvent, here: Swell): boolean {
    const by = { ".": STEP, ",": -STEP }[event.key];
    const move = event.shiftKey ? { ArrowRight: 1 as const, ArrowLeft: -1 as const }[event.key] : undefined;
    const working = here.role === "work";
    if (event.key === "Enter" || event.key === " ") onSelect(here.partId);
    else if (event.key === "z") props.onNear(here);
    else if (event.key === "Escape") props.onNear(null);
    else if (!actions || !working) return move !== undefined;
    else if (by) actions.onNudge(here, by);
    else if (move) actions.onMove(here.partId, move);
    else if (event.key === "Delete") actions.onRemove(here, !event.shiftKey);
    else if (event.key === "m") actions.onMirror(here.partId);
    else if (event.key === "s") actions.onSplit(here.partId);
    else return false;
    return true;
  }

  function walk(event: KeyboardEvent<SVGGElement>, index: number): boolean {
    const steps: Record<string, number> = {
      ArrowRight: Math.min(index + 1, layout.swells.length - 1),
      ArrowLeft: Math.max(index - 1, 0),
      Home: 0,
      End: layout.swells.length - 1,
    };
    const next = steps[event.key];
    const swell = next === undefined ? undefined : layout.swells[next];
    if (!swell) return false;
    onSelect(swell.partId);
    const all = event.currentTarget.parentElement?.querySelectorAll<SVGGElement>("[role=button]");
    all?.[next ?? 0]?.focus();
    return true;
  }

  function drag(event: PointerEvent) {
    const from = pressed.current;
    if (!from || Math.hypot(event.clientX - from.x, event.clientY - from.y) < SLACK) return;
    pressed.current = null;
    actions?.onTakeUp(from.swell, { x: from.x, y: from.y });
  }

  return (
    <g className={moving.length > 0 ? "pointer-events-none" : ""}>
      {layout.swells.map((swell, index) => (
        // biome-ignore lint/a11y/useSemanticElements: a shape in an svg cannot be a button element
        <g
          key={swell.partId}
          role="button"
          tabIndex={swell === focusable ? 0 : -1}
          aria-label={describe(swell, catalogue)}
          aria-pressed={chosen(swell)}
          className="group cursor-pointer touch-pan-y outline-none"
          opacity={moving.includes(swell.partId) ? 0.35 : 1}
          onClick={() => onSelect(swell.partId)}
          onFocus={() => actions?.onTouch(swell.partId)}
          onKeyDown={(event) => key(event, index)}
          onPointerDown={(event) => {
            if (!actions || swell.role !== "work" || event.button !== 0) return;
            pressed.current = { swell, x: event.clientX, y: event.clientY };
            actions.onTouch(swell.partId);
          }}
          onPointerMove={drag}
          onPointerUp={() => {
            pressed.current = null;
          }}
        >
          <title>{describe(swell, catalogue)}</title>
          <rect
            x={swell.x0}
            y={props.top}
            width={Math.max(swell.x1 - swell.x0, 1)}
            height={props.bottom - props.top}
            rx={6}
            className={`group-hover:fill-base-300/60 group-focus-visible:stroke-primary group-focus-visible:[stroke-width:3] ${chosen(swell) ? "fill-base-300" : "fill-transparent"}`}
          />
          <path d={swell.above} className={chosen(swell) ? "fill-tide-deep" : "fill-tide"} />
          <path d={swell.below} className="fill-tide" opacity={chosen(swell) ? 0.9 : 0.6} />
          <path d={swell.below} fill={`url(#${props.water})`} />
        </g>
      ))}
    </g>
  );
});
