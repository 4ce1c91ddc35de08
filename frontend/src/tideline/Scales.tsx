import { timeOfDay } from "../phrases/time";
import type { TideLayout } from "./layout";

/** Pixels between two ticks from which the first has room for its unit. */
const UNIT = 60;

export function MinuteAxis({ layout, y, right }: { layout: TideLayout; y: number; right: number }) {
  const [first, second] = layout.ticks;
  const zero = first && second && second.x - first.x < UNIT ? "0" : "0 min";
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
          {tick.minute === 0 ? zero : tick.minute}
        </text>
      ))}
    </g>
  );
}

/** Half the width of an hour as it is written, in pixels. */
const HALF_AN_HOUR = 30;

/** The clock along the top, as far as `free`: beyond it stands the button that zooms. */
export function ClockAxis(props: { layout: TideLayout; begins: Date; timeZone: string; free: number }) {
  const { layout, begins, timeZone, free } = props;
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
          x + HALF_AN_HOUR < free && (
            <g key={at}>
              <line x1={x} x2={x} y1={20} y2={26} className="stroke-quiet" />
              <text x={x} y={14} textAnchor={x < 24 ? "start" : "middle"}>
                {timeOfDay(new Date(at), timeZone)}
              </text>
            </g>
          )
        );
      })}
    </g>
  );
}
