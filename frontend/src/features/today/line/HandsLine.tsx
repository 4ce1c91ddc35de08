import type { SessionOnDay } from "../../../api/client";
import { decimal } from "../../../phrases/measures";
import { say } from "../../../phrases/screens/today/page";
import { ABOVE, type DayScale, LINE_HEIGHT } from "./dayScale";

/** Pixels of the highest strain index that a day bears, 10. */
const FULL = 30;

/** The load on the hands as it grows along the day: a step up with each session, in the accent where it is too much. */
export function HandsLine({ sessions, scale }: { sessions: readonly SessionOnDay[]; scale: DayScale }) {
  const loads = sessions.flatMap(({ hands_by_then, span }) =>
    hands_by_then ? [{ ...hands_by_then, span }] : [],
  );
  if (loads.length === 0) return null;
  const bottom = LINE_HEIGHT;
  const y = (strain: number) => bottom - (Math.min(strain, 12) / 10) * FULL;
  const last = scale.x(scale.last);
  return (
    <svg
      className="pointer-events-none absolute left-0"
      style={{ top: ABOVE }}
      width={last}
      height={LINE_HEIGHT}
      role="img"
      aria-label={say.handsGrow(loads.map(({ strain }) => decimal(strain)))}
    >
      {loads.map(({ strain, hazardous, span }, n) => {
        const from = scale.x(span.begins);
        const over = scale.x(span.ends);
        const next = loads[n + 1];
        const before = y(loads[n - 1]?.strain ?? 0);
        const until = next ? scale.x(next.span.begins) : last;
        return (
          <g
            key={span.begins}
            className={hazardous ? "stroke-accent" : "stroke-quiet"}
            fill="none"
            opacity={0.7}
          >
            <path
              d={`M${from} ${before} L${over} ${y(strain)} H${Math.max(over, until)}`}
              strokeDasharray="2 4"
            />
          </g>
        );
      })}
      <text
        x={last - 4}
        y={LINE_HEIGHT - 3}
        textAnchor="end"
        strokeWidth={5}
        className="fill-quiet stroke-base-100 text-[13px] [paint-order:stroke]"
      >
        {say.hands(decimal(loads.at(-1)?.strain ?? 0))}
      </text>
    </svg>
  );
}
