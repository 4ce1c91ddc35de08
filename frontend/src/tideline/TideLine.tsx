import { memo, type PointerEvent, useCallback, useId, useMemo, useRef, useState } from "react";
import type { Finding, RunSheet } from "../api/client";
import { useCatalogue } from "../api/useCatalogue";
import { say } from "../phrases/screens/tideline";
import { useWidth } from "../ui/screen/useWidth";
import { Buoy } from "./Buoy";
import { type Carried, DragLayer } from "./hand/DragLayer";
import { type TideEditing, useActions } from "./hand/editing";
import { Nearer, spaceOfNearer } from "./hand/Nearer";
import { PullEdge } from "./hand/PullEdge";
import { wholeAround } from "./hand/pull";
import { useView } from "./hand/useView";
import { layTide } from "./layout";
import { FindingMarks, Notches, PartNames, SideNames, SlackWater } from "./Marks";
import { nameOf, secondsOf } from "./names";
import type { Pointed } from "./pointed";
import { ClockAxis, MinuteAxis } from "./Scales";
import { SHORE, Shore } from "./Shore";
import { Strokes } from "./Strokes";
import { Swells } from "./Swells";
import type { Swell } from "./swells";
import { Ripples, Surface } from "./Water";

interface Props {
  sheet: RunSheet;
  /** When the hands-on minutes begin, for the clock along the top. */
  begins?: Date;
  timeZone: string;
  /** Marked at their place. */
  findings: readonly Finding[];
  selected: string | null;
  onSelect(partId: string): void;
  /** Told of the moment under the pointer. */
  pointed: Pointed;
  /** How high it is drawn, in px; as high as suits its width where nothing is said. */
  high?: number | undefined;
  /** Without it the line is only looked at. */
  editing: TideEditing | undefined;
}

const MARGINS = { left: 8, right: 8, top: 62, bottom: 118 };
/** Where the line has little height, the water keeps what it needs. */
const LOW = { left: 8, right: 8, top: 46, bottom: 86 };
const LOW_UP_TO = 320;
const NONE: readonly string[] = [];

/** A whole session as a tide: the client's right above the horizon, left below, depth as height. */
export const TideLine = memo(function TideLine(props: Props) {
  const { sheet, begins, selected, onSelect, pointed, editing } = props;
  const catalogue = useCatalogue();
  const [ref, width] = useWidth<HTMLDivElement>(1100);
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<{ swell: Swell; at: { x: number; y: number } } | null>(null);
  const height = props.high ?? (width < 640 ? 360 : 420);
  const margins = height <= LOW_UP_TO ? LOW : MARGINS;
  const top = margins.top - 20;
  // On a small screen neighbouring parts of one side flow together, or they would be needles.
  const { view, near, show, by, all } = useView(svg, sheet);
  const joined = width < 640 && !near;
  const { from, to } = view;
  const layout = useMemo(
    () => layTide(sheet, { width, height }, margins, joined, { from, to }),
    [sheet, width, height, margins, joined, from, to],
  );
  const water = useId();
  const foot = height - margins.bottom + (margins === LOW ? 16 : 24);
  // What is worked as one is carried as one; the part that is chosen, and so opened, alone.
  const touched = held && editing?.landings?.partId === held.swell.partId ? editing.landings : undefined;
  const passage = held && held.swell.partId !== selected ? touched?.passage : undefined;
  const carried: Carried | null = held && {
    swells: passage ? layout.swells.filter((swell) => passage.parts.includes(swell.partId)) : [held.swell],
    name: passage?.name ?? nameOf(held.swell, catalogue),
  };
  const chosen = layout.swells.find((swell) => swell.partId === selected && swell.role === "work");
  const whole = wholeAround(chosen, layout.swells, editing?.passages ?? []);
  const actions = useActions(editing, sheet, setHeld);

  const choose = useCallback(
    (partId: string) => {
      onSelect(partId);
      const swell = layout.swells.find((one) => one.partId === partId);
      if (near && swell) show(swell.start, swell.end);
    },
    [onSelect, layout, near, show],
  );
  const bring = useCallback(
    (swell: Swell | null) => (swell ? show(swell.start, swell.end) : all()),
    [show, all],
  );

  function point(event: PointerEvent<SVGSVGElement>) {
    if (held || event.pointerType === "touch") return;
    const second = layout.second(event.clientX - event.currentTarget.getBoundingClientRect().left);
    pointed.set(sheet.entries.find((e) => e.start <= second && second < e.start + e.seconds) ?? null);
  }

  return (
    <div ref={ref} className="relative w-full">
      {/* biome-ignore lint/a11y/useSemanticElements: an svg cannot be a fieldset */}
      <svg
        ref={svg}
        width={width}
        height={height}
        role="group"
        aria-label={say.label}
        className="select-none overflow-hidden"
        onPointerMove={point}
        onPointerLeave={() => pointed.set(null)}
      >
        <Ripples id={water} />
        {begins && (
          <ClockAxis
            layout={layout}
            begins={begins}
            timeZone={props.timeZone}
            free={width - spaceOfNearer(near)}
          />
        )}
        <SideNames layout={layout} left={margins.left} />
        <Swells
          layout={layout}
          water={water}
          selected={selected}
          moving={carried?.swells.map((swell) => swell.partId) ?? NONE}
          top={top}
          bottom={foot - 14}
          onSelect={choose}
          onNear={bring}
          actions={joined ? undefined : actions}
        />
        <Surface x0={margins.left} x1={width - margins.right} y={layout.horizon} />
        <Notches layout={layout} />
        {layout.slack.map((turn) => (
          <SlackWater key={turn.x0} turn={turn} horizon={layout.horizon} />
        ))}
        {layout.strokes.length > 0 ? (
          <Strokes layout={layout} />
        ) : (
          <PartNames layout={layout} selected={selected} />
        )}
        <FindingMarks
          layout={layout}
          findings={props.findings}
          y={margins.top - (margins === LOW ? 24 : 14)}
        />
        {chosen && editing && !joined && !held && (
          <PullEdge
            key={chosen.partId}
            x0={chosen.x0}
            x1={chosen.x1}
            sided={chosen.side !== "mid"}
            name={nameOf(chosen, catalogue)}
            seconds={secondsOf(sheet, chosen.partId)}
            pixelsPerSecond={layout.x(1) - layout.x(0)}
            top={top}
            bottom={foot - 14}
            onPull={(seconds, alone) => editing.onReshape(chosen.partId, seconds, alone)}
          />
        )}
        {whole && editing && !joined && !held && (
          <PullEdge
            key={whole.passage.id}
            whole
            x0={whole.x0}
            x1={whole.x1}
            sided={whole.sided}
            name={whole.passage.name}
            seconds={whole.passage.seconds}
            pixelsPerSecond={layout.x(1) - layout.x(0)}
            top={top}
            bottom={foot - 14}
            onPull={(seconds) => editing.onReshapePassage(whole.passage, seconds)}
          />
        )}
        <Buoy pointed={pointed} layout={layout} left={margins.left} right={width - margins.right} />
        <Shore layout={layout} y={foot} />
        <MinuteAxis layout={layout} y={foot + SHORE + 18} right={width - margins.right} />
        {held && carried && editing && (
          <DragLayer
            carried={carried}
            alone={
              passage &&
              touched && {
                carried: { swells: [held.swell], name: say.alone(nameOf(held.swell, catalogue)) },
                landings: touched.places,
              }
            }
            takenAt={held.at}
            layout={layout}
            landings={passage ? touched?.together : touched?.places}
            left={margins.left}
            right={width - margins.right}
            top={top}
            bottom={foot - 14}
            onDrop={editing.onLand}
            onEnd={() => setHeld(null)}
          />
        )}
      </svg>
      {!held && <Nearer near={near} onNearer={() => (chosen ? bring(chosen) : by(0.5))} onAll={all} />}
    </div>
  );
});
