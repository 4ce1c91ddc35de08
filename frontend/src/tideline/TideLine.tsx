import { type KeyboardEvent, useId, useMemo } from "react";
import type { Catalogue, Finding, RunSheet } from "../api/client";
import { clock, span } from "../lib/time";
import { sided } from "../lib/words";
import { useWidth } from "../ui/useWidth";
import { placeLabels } from "./labels";
import { layTide, type Span, type Swell, type TideLayout } from "./layout";
import { PullEdge } from "./PullEdge";
import { STEP } from "./pull";
import { ClockAxis, MinuteAxis, STRIP, Strip, windowName } from "./Scales";
import { Ripples, Surface } from "./Water";

interface Props {
  sheet: RunSheet;
  catalogue: Catalogue;
  /** When the hands-on minutes begin, for the clock along the top. */
  begins?: Date;
  timeZone: string;
  /** Marked at their place. */
  findings: readonly Finding[];
  selected: string | null;
  onSelect(stopId: string): void;
  /** Makes a stop take so many seconds; without it the line is only looked at. `alone`: without its other side. */
  onReshape?: (stopId: string, seconds: number, alone: boolean) => void;
  /** Leaves a region out. */
  onLeaveOut?: (region: string) => void;
  /** Moves a stop one place on or back. */
  onMove?: (stopId: string, by: -1 | 1) => void;
  /** Gives the other side of a stop what it has. */
  onMirror?: (stopId: string) => void;
}

const MARGINS = { left: 8, right: 8, top: 62, bottom: 118 };

/** A whole session as a tide: the client's right above the horizon, left below, depth as height. */
export function TideLine({
  sheet,
  catalogue,
  begins,
  timeZone,
  findings,
  selected,
  onSelect,
  onReshape,
  onLeaveOut,
  onMove,
  onMirror,
}: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(1100);
  const height = width < 640 ? 360 : 420;
  // On a small screen neighbouring stops of one side flow together, or they would be needles.
  const joined = width < 640;
  const layout = useMemo(
    () => layTide(sheet, { width, height }, MARGINS, joined),
    [sheet, width, height, joined],
  );
  const short = (id: string) => catalogue.regions[id]?.short ?? id;
  const labels = placeLabels(layout.swells, short, layout.amplitude + 18);
  const water = useId();
  const foot = height - MARGINS.bottom + 24;
  const chosen = layout.swells.find((swell) => swell.stopId === selected && swell.role === "work");
  const pull = (swell: Swell, seconds: number, alone = false) => onReshape?.(swell.stopId, seconds, alone);

  return (
    <div ref={ref} className="w-full">
      {/* biome-ignore lint/a11y/useSemanticElements: an svg cannot be a fieldset */}
      <svg width={width} height={height} role="group" aria-label="Tide line: the session from left to right">
        <Ripples id={water} />
        {begins && <ClockAxis layout={layout} begins={begins} timeZone={timeZone} />}
        <SideNames layout={layout} />
        <Swells
          layout={layout}
          catalogue={catalogue}
          water={water}
          selected={selected}
          onSelect={onSelect}
          onNudge={onReshape && ((swell, by) => pull(swell, secondsOf(sheet, swell.stopId) + by))}
          onLeaveOut={onLeaveOut}
          onMove={onMove}
          onMirror={onMirror}
          bottom={foot - 14}
        />
        <Surface x0={MARGINS.left} x1={width - MARGINS.right} y={layout.horizon} />
        {layout.notches.map((notch) => (
          <line
            key={`${notch.kind}${notch.x0}`}
            x1={(notch.x0 + notch.x1) / 2}
            x2={(notch.x0 + notch.x1) / 2}
            y1={layout.horizon - 4}
            y2={layout.horizon + 4}
            className="stroke-base-content"
            strokeWidth={1.5}
          />
        ))}
        {layout.slack.map((turn) => (
          <SlackWater key={turn.x0} turn={turn} horizon={layout.horizon} />
        ))}
        {labels.map((label) => (
          <text
            key={label.stopId}
            x={label.x}
            y={layout.horizon - label.rise + (label.rise > 0 ? -3 : 13)}
            textAnchor="middle"
            className={`pointer-events-none text-[14px] ${label.stopId === selected ? "fill-base-content font-bold" : "fill-base-content"}`}
          >
            {label.text}
          </text>
        ))}
        <Marks layout={layout} findings={findings} />
        {chosen && onReshape && !joined && (
          <PullEdge
            key={chosen.stopId}
            swell={chosen}
            name={nameOf(chosen, catalogue)}
            seconds={secondsOf(sheet, chosen.stopId)}
            pixelsPerSecond={layout.x(1) - layout.x(0)}
            top={MARGINS.top - 20}
            bottom={foot - 14}
            onPull={(seconds, alone) => pull(chosen, seconds, alone)}
          />
        )}
        <Strip
          y={foot}
          title="Uncovered"
          spans={layout.windows}
          nameOf={(s) => (s.name === "none" ? "" : windowName(s, catalogue))}
          fill={(s) => (s.name === "none" ? "fill-transparent" : "fill-cloth")}
        />
        <Strip
          y={foot + STRIP + 4}
          title="You stand"
          spans={layout.places}
          nameOf={(s) => (s.name === "away" ? "basin" : s.name)}
          fill={() => "fill-base-300"}
        />
        <MinuteAxis layout={layout} y={foot + 2 * STRIP + 26} />
      </svg>
    </div>
  );
}

function Swells(props: {
  layout: TideLayout;
  catalogue: Catalogue;
  water: string;
  selected: string | null;
  onSelect(stopId: string): void;
  onNudge: ((swell: Swell, by: number) => void) | undefined;
  onLeaveOut: ((region: string) => void) | undefined;
  onMove: ((stopId: string, by: -1 | 1) => void) | undefined;
  onMirror: ((stopId: string) => void) | undefined;
  bottom: number;
}) {
  const { layout, selected, onSelect } = props;
  const chosen = (swell: Swell) => selected !== null && swell.stopIds.includes(selected);
  const focusable = layout.swells.find(chosen) ?? layout.swells[0];

  function move(event: KeyboardEvent<SVGGElement>, index: number) {
    const steps: Record<string, number> = { ArrowRight: index + 1, ArrowLeft: index - 1, Home: 0, End: -1 };
    const next = steps[event.key];
    const swell = next === undefined ? undefined : layout.swells.at(next);
    const here = layout.swells[index];
    const nudge = { ".": STEP, ",": -STEP }[event.key];
    if (here?.role === "work" && nudge) props.onNudge?.(here, nudge);
    else if (here?.role === "work" && event.key === "Delete") props.onLeaveOut?.(here.region);
    else if (here?.role === "work" && event.key === "m") props.onMirror?.(here.stopId);
    else if (event.shiftKey && (event.key === "ArrowRight" || event.key === "ArrowLeft"))
      props.onMove?.(here?.stopId ?? "", event.key === "ArrowRight" ? 1 : -1);
    else if (event.key === "Enter" || event.key === " ") onSelect(layout.swells[index]?.stopId ?? "");
    else if (!swell || next === layout.swells.length || (next === -1 && event.key === "ArrowLeft")) return;
    else {
      onSelect(swell.stopId);
      const all = event.currentTarget.parentElement?.querySelectorAll<SVGGElement>("[role=button]");
      all?.[layout.swells.indexOf(swell)]?.focus();
    }
    event.preventDefault();
  }

  return (
    <g>
      {layout.swells.map((swell, index) => (
        // biome-ignore lint/a11y/useSemanticElements: a shape in an svg cannot be a button element
        <g
          key={swell.stopId}
          role="button"
          tabIndex={swell === focusable ? 0 : -1}
          aria-label={describe(swell, props.catalogue)}
          aria-pressed={chosen(swell)}
          className="group cursor-pointer outline-none"
          onClick={() => onSelect(swell.stopId)}
          onKeyDown={(event) => move(event, index)}
        >
          <title>{describe(swell, props.catalogue)}</title>
          <rect
            x={swell.x0}
            y={MARGINS.top - 20}
            width={Math.max(swell.x1 - swell.x0, 1)}
            height={props.bottom - MARGINS.top + 20}
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
}

/** Whole seconds of working a stop, oiling and asking included. */
function secondsOf(sheet: RunSheet, stopId: string): number {
  const own = sheet.entries.filter((entry) => entry.stop_id === stopId && entry.working);
  return own.reduce((sum, entry) => sum + entry.seconds, 0);
}

function nameOf(swell: Swell, catalogue: Catalogue): string {
  const region = catalogue.regions[swell.region];
  return region ? sided(region, swell.side) : swell.region;
}

function describe(swell: Swell, catalogue: Catalogue): string {
  const name = nameOf(swell, catalogue);
  const what = {
    open: `first contact, ${name}`,
    close: `close, ${name}`,
    integrate: `for the whole, ${name}`,
    work: name,
  }[swell.role];
  return `${what}, ${span(swell.end - swell.start)} from ${clock(swell.start)}, depth up to ${swell.deepest}`;
}

function SlackWater({ turn, horizon }: { turn: Span; horizon: number }) {
  const middle = (turn.x0 + turn.x1) / 2;
  return (
    <g>
      <line x1={turn.x0} x2={turn.x1} y1={horizon} y2={horizon} className="stroke-base-100" strokeWidth={5} />
      <line
        x1={turn.x0 + 3}
        x2={turn.x1 - 3}
        y1={horizon}
        y2={horizon}
        className="stroke-base-content"
        strokeWidth={2}
        strokeDasharray="1 6"
        strokeLinecap="round"
      />
      <text x={middle} y={horizon - 22} textAnchor="middle" className="fill-base-content text-[14px] italic">
        turn
      </text>
      <text x={middle} y={horizon - 8} textAnchor="middle" className="fill-base-content numbers text-[13px]">
        {clock(turn.seconds)}
      </text>
    </g>
  );
}

/** A small triangle over each stop at which something was found. */
function Marks({ layout, findings }: { layout: TideLayout; findings: readonly Finding[] }) {
  return layout.swells.map((swell) => {
    const here = findings.filter((finding) => finding.stop_id && swell.stopIds.includes(finding.stop_id));
    if (here.length === 0) return null;
    const x = (swell.x0 + swell.x1) / 2;
    const y = MARGINS.top - 14;
    return (
      <path
        key={swell.stopId}
        d={`M${x - 7} ${y + 6}h14l-7 -12z`}
        className="pointer-events-none fill-none stroke-accent"
        strokeWidth={2}
        strokeLinejoin="round"
      />
    );
  });
}

function SideNames({ layout }: { layout: TideLayout }) {
  return (
    // biome-ignore lint/a11y/noAriaHiddenOnFocusable: a group of axis labels takes no focus
    <g aria-hidden="true" className="fill-quiet text-[13px] italic">
      <text x={MARGINS.left} y={layout.horizon - layout.amplitude - 4}>
        client’s right
      </text>
      <text x={MARGINS.left} y={layout.horizon + layout.amplitude + 14}>
        client’s left
      </text>
    </g>
  );
}
