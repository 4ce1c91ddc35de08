import type { Finding } from "../api/client";
import { useCatalogue } from "../api/useCatalogue";
import { clock } from "../phrases/time";
import { placeLabels } from "./labels";
import type { ClockSpan, TideLayout } from "./layout";

/** Turning the client: the water stands still for so long. */
export function SlackWater({ turn, horizon }: { turn: ClockSpan; horizon: number }) {
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

/** A small triangle over each part at which something was found. */
export function FindingMarks({
  layout,
  findings,
  y,
}: {
  layout: TideLayout;
  findings: readonly Finding[];
  y: number;
}) {
  return layout.swells.map((swell) => {
    const here = findings.filter((finding) => finding.part_id && swell.partIds.includes(finding.part_id));
    if (here.length === 0) return null;
    const x = (swell.x0 + swell.x1) / 2;
    return (
      <path
        key={swell.partId}
        d={`M${x - 7} ${y + 6}h14l-7 -12z`}
        className="pointer-events-none fill-none stroke-accent"
        strokeWidth={2}
        strokeLinejoin="round"
      />
    );
  });
}

export function SideNames({ layout, left }: { layout: TideLayout; left: number }) {
  return (
    // biome-ignore lint/a11y/noAriaHiddenOnFocusable: a group of axis labels takes no focus
    <g aria-hidden="true" className="fill-quiet text-[13px] italic">
      <text x={left} y={layout.horizon - layout.amplitude - 4}>
        client’s right
      </text>
      <text x={left} y={layout.horizon + layout.amplitude + 14}>
        client’s left
      </text>
    </g>
  );
}

/** Small transitions: notches on the horizon. */
export function Notches({ layout }: { layout: TideLayout }) {
  return layout.notches.map((notch) => (
    <line
      key={`${notch.kind}${notch.x0}`}
      x1={(notch.x0 + notch.x1) / 2}
      x2={(notch.x0 + notch.x1) / 2}
      y1={layout.horizon - 4}
      y2={layout.horizon + 4}
      className="stroke-base-content"
      strokeWidth={1.5}
    />
  ));
}

/** What the parts are called, where there is room. */
export function PartNames({ layout, selected }: { layout: TideLayout; selected: string | null }) {
  const catalogue = useCatalogue();
  const short = (id: string) => catalogue.regions[id]?.short ?? id;
  return placeLabels(layout.swells, short, layout.amplitude + 22).map((label) => (
    <text
      key={label.partId}
      x={label.x}
      y={layout.horizon - label.rise + (label.rise > 0 ? -3 : 13)}
      textAnchor="middle"
      className={`pointer-events-none fill-base-content text-[14px] ${label.partId === selected ? "font-bold" : ""}`}
    >
      {label.text}
    </text>
  ));
}
