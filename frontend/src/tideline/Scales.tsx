import type { Catalogue } from "../api/client";
import { span, timeOfDay } from "../phrases/time";
import { bareName } from "../phrases/words";
import type { ClockSpan, TideLayout } from "./layout";

export const STRIP = 22;

/** A thin strip under the water: what is open, or where the therapist stands. */
export function Strip(props: {
  y: number;
  title: string;
  spans: ClockSpan[];
  nameOf(span: ClockSpan): string;
  fill(span: ClockSpan): string;
}) {
  return (
    <g>
      {props.spans.map((part) => {
        const name = props.nameOf(part);
        const room = part.x1 - part.x0;
        return (
          <g key={part.x0}>
            <title>
              {name ? `${props.title}: ${name}, ${span(part.seconds)}` : `${props.title}: nothing`}
            </title>
            <rect
              x={part.x0 + 0.75}
              y={props.y}
              width={Math.max(room - 1.5, 0.5)}
              height={STRIP - 2}
              rx={4}
              className={props.fill(part)}
            />
            {room > name.length * 6.6 + 6 && (
              <text
                x={(part.x0 + part.x1) / 2}
                y={props.y + 15}
                textAnchor="middle"
                className="pointer-events-none fill-base-content text-[13px]"
              >
                {name}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

export function MinuteAxis({ layout, y, right }: { layout: TideLayout; y: number; right: number }) {
  return (
    // biome-ignore lint/a11y/noAriaHiddenOnFocusable: a group of axis labels takes no focus
    <g aria-hidden="true" className="fill-quiet numbers text-[13px]">
      {layout.ticks.map((tick, i) => (
        <text
          key={tick.minute}
          x={tick.x}
          y={y}
          textAnchor={i === 0 ? "start" : tick.x > right - 12 ? "end" : "middle"}
        >
          {tick.minute === 0 ? "0 min" : tick.minute}
        </text>
      ))}
    </g>
  );
}

export function ClockAxis({
  layout,
  begins,
  timeZone,
}: {
  layout: TideLayout;
  begins: Date;
  timeZone: string;
}) {
  const quarter = 15 * 60_000;
  const first = Math.ceil(begins.getTime() / quarter) * quarter;
  const last = layout.swells.at(-1)?.end ?? 0;
  const marks: number[] = [];
  for (let at = first; at <= begins.getTime() + last * 1000; at += quarter) marks.push(at);
  return (
    // biome-ignore lint/a11y/noAriaHiddenOnFocusable: a group of axis labels takes no focus
    <g aria-hidden="true" className="fill-quiet numbers text-[13px]">
      {marks.map((at) => {
        const x = layout.x((at - begins.getTime()) / 1000);
        return (
          <g key={at}>
            <line x1={x} x2={x} y1={20} y2={26} className="stroke-quiet" />
            <text x={x} y={14} textAnchor={x < 24 ? "start" : "middle"}>
              {timeOfDay(new Date(at), timeZone)}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** An open window in words that fit a strip. */
export function windowName(window: ClockSpan, catalogue: Catalogue): string {
  const name = catalogue.windows[window.name]?.name ?? window.name;
  if (window.side === "mid") return name;
  return `${window.side} ${bareName({ name })}`;
}
