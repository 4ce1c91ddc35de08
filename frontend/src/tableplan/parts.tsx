/** Parts of the table plan: its patterns, the sheet with its window, and where one stands. */
import type { TablePlanLayout } from "./layout";

/** Hatching for places to keep off, and the sheet with its window cut out. */
export function Patterns({ id, layout }: { id: string; layout: TablePlanLayout }) {
  return (
    <defs>
      <pattern
        id={`${id}-off`}
        width="4"
        height="4"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0 0V4" className="stroke-accent" strokeWidth={1.6} />
      </pattern>
      <pattern
        id={`${id}-weave`}
        width="5"
        height="5"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(12)"
      >
        <path d="M0 2.5H5" className="stroke-base-content" strokeWidth={0.25} opacity={0.35} />
      </pattern>
      <mask id={`${id}-sheet`}>
        <rect width={layout.width} height={layout.height} fill="white" />
        {layout.cloth?.open.map((path) => (
          <path key={path} d={path} fill="black" />
        ))}
      </mask>
    </defs>
  );
}

export function Sheet({ id, layout }: { id: string; layout: TablePlanLayout }) {
  if (!layout.cloth) return null;
  const { path, fold, open } = layout.cloth;
  return (
    <g mask={`url(#${id}-sheet)`}>
      <path d={path} className="fill-cloth" opacity={0.86} />
      <path d={path} fill={`url(#${id}-weave)`} />
      <path d={fold} className="fill-none stroke-quiet" strokeWidth={1.4} opacity={0.7} />
      {open.map((edge) => (
        <path key={edge} d={edge} className="fill-none stroke-quiet" strokeWidth={2} opacity={0.7} />
      ))}
    </g>
  );
}

/** One bare foot on the floor, its toes toward the table. */
export function Footprint({ x, y, height }: { x: number; y: number; height: number }) {
  const middle = height / 2;
  const beside = Math.abs(y - middle) > 20;
  const turn = beside ? (y < middle ? 180 : 0) : x < 60 ? 90 : -90;
  return (
    <g transform={`translate(${x} ${y}) rotate(${turn})`} className="fill-primary">
      <path d="M-2.4 -2C-2.8 -5.4 2.8 -5.4 2.4 -2C2.2 0 1.4 1 1.7 3.4C2 6.4 -2 6.4 -1.7 3.4C-1.4 1 -2.2 0 -2.4 -2Z" />
      <path
        d="M-2.2 -5.6h0M0 -6.6h0M2.1 -5.9h0"
        className="stroke-primary"
        strokeWidth={1.5}
        strokeLinecap="round"
      />
    </g>
  );
}
