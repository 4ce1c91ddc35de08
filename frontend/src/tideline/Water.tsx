/** The still surface, and the ripples that make the lower half a reflection. */

export function Ripples({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={id} width="26" height="9" patternUnits="userSpaceOnUse">
        <path
          d="M0 4.5q6.5-4 13 0t13 0"
          fill="none"
          className="stroke-base-100"
          strokeWidth="1.6"
          opacity="0.75"
        />
      </pattern>
    </defs>
  );
}

export function Surface({ x0, x1, y }: { x0: number; x1: number; y: number }) {
  return <line x1={x0} x2={x1} y1={y} y2={y} className="stroke-base-content" strokeWidth={1.5} />;
}
