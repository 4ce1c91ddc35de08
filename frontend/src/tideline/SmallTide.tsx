import { useId, useMemo } from "react";
import type { Outline, RunSheet } from "../api/client";
import { smallSwells } from "./swells";
import { Ripples, Surface } from "./Water";

const NONE = { left: 0, right: 0, top: 2, bottom: 2 };

/** A tide line without words, as a thumbnail: neighbouring parts of one side flow into one swell. */
export function SmallTide({
  sheet,
  width,
  height,
}: {
  sheet: RunSheet | Outline;
  width: number;
  height: number;
}) {
  const layout = useMemo(() => smallSwells(sheet, { width, height }, NONE), [sheet, width, height]);
  const water = useId();
  return (
    <svg width={width} height={height} aria-hidden="true" className="block">
      <Ripples id={water} />
      {layout.swells.map((swell) => (
        <g key={swell.partId}>
          <path d={swell.above} className="fill-tide" />
          <path d={swell.below} className="fill-tide" opacity={0.55} />
          <path d={swell.below} fill={`url(#${water})`} />
        </g>
      ))}
      <Surface x0={0} x1={width} y={layout.horizon} />
    </svg>
  );
}
