import type { TideLayout } from "./layout";
import { type Pointed, usePointed } from "./pointed";

/** A small buoy on the water at the moment that is looked at or played. */
export function Buoy({
  pointed,
  layout,
  left,
  right,
}: {
  pointed: Pointed;
  layout: TideLayout;
  left: number;
  right: number;
}) {
  const entry = usePointed(pointed);
  if (!entry) return null;
  const x = layout.x(entry.start + entry.seconds / 2);
  if (x < left || x > right) return null;
  return (
    <g transform={`translate(${x} ${layout.horizon})`} className="pointer-events-none">
      <path d="M-7 -1C-6 6 6 6 7 -1Z" className="fill-accent stroke-base-100" strokeWidth={1} />
      <path
        d="M0 -1V-11M0 -11L6 -8L0 -6"
        className="fill-accent stroke-accent"
        strokeWidth={1.6}
        strokeLinejoin="round"
      />
    </g>
  );
}
