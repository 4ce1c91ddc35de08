import type { StartDepth } from "../../api/client";
import { say } from "../../phrases/screens/learn";
import { hillAt } from "./drawn";

const WIDTH = 200;
const HEIGHT = 40;
const GROUND = HEIGHT - 6;

function x(depth: number): number {
  return 4 + ((depth - 0.5) / 5) * (WIDTH - 8);
}

/** A hill of water over the scale of depth: wide where it is a guess, narrow where it is known, marked where one starts. */
export function WishScale({ start }: { start: StartDepth }) {
  const points = Array.from({ length: 61 }, (_, index) => 0.5 + index / 12);
  const hill = points.map((depth) => `${x(depth)} ${GROUND - hillAt(start, depth) * (GROUND - 3)}`).join("L");
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={say.wishBetween(start.mean, start.low, start.high)}
      className="block w-full max-w-80"
    >
      <path d={`M${x(0.5)} ${GROUND}L${hill}L${x(5.5)} ${GROUND}z`} className="fill-tide" />
      <path d={`M0 ${GROUND}h${WIDTH}`} className="stroke-base-content/50" strokeWidth={0.8} />
      {[1, 2, 3, 4, 5].map((depth) => (
        <path
          key={depth}
          d={`M${x(depth)} ${GROUND}v3`}
          className="stroke-base-content/60"
          strokeWidth={0.8}
        />
      ))}
      <path
        d={`M${x(start.depth)} ${GROUND - 1}v-${GROUND - 4}`}
        className="stroke-accent"
        strokeWidth={1.8}
        strokeDasharray="3 2"
      />
    </svg>
  );
}
