/** Which way a stroke runs, as lines with heads. */
import { ellipse, type Frame, type Point, within } from "./geometry";

/** Arrow lines along, across or round a strip, as the stroke runs. `toward_heart` on a limb runs up it. */
export function arrows(frame: Frame, direction: string, region: string): string[] {
  const headOnly = ["scalp", "face", "neck", "shoulders", "chest", "back", "side_body"].includes(region);
  const inward = headOnly ? [0.1, 0.9] : [0.95, 0.05];
  const [a0 = 0, a1 = 1] = direction === "away" ? [...inward].reverse() : inward;
  const at = (a: number, b: number) => within(frame, a, b);
  switch (direction) {
    case "toward_heart":
    case "away":
      return [-0.45, 0.45].map((b) => arrow(at(a0, b), at(a1, b)));
    case "along_fibre":
      return [arrow(at(0.5, 0), at(0.05, 0)), arrow(at(0.5, 0), at(0.95, 0))];
    case "across":
      return [0.25, 0.6].flatMap((a) => [
        arrow(at(a, 0), at(a, 0.8)),
        arrow(at(a + 0.12, 0), at(a + 0.12, -0.8)),
      ]);
    case "clockwise": {
      const [x, y] = at(0.5, 0);
      const r = Math.max(frame.width[0] * 0.55, 3);
      return [`M${x - r} ${y}A${r} ${r} 0 1 1 ${x} ${y + r}m-2.6 -2.4l2.6 2.4l-2.2 2.8`];
    }
    default: {
      const [x, y] = at(0.5, 0);
      return [ellipse([x, y], 2.6, 2.6), ellipse([x, y], 5, 5)];
    }
  }
}

function arrow(from: Point, to: Point): string {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const [dx, dy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  const head = (sign: number) =>
    `M${fixed(to[0] - 3 * dx - 2 * sign * dy)} ${fixed(to[1] - 3 * dy + 2 * sign * dx)}L${fixed(to[0])} ${fixed(to[1])}`;
  return `M${fixed(from[0])} ${fixed(from[1])}L${fixed(to[0])} ${fixed(to[1])}${head(1)}${head(-1)}`;
}

const fixed = (value: number) => Math.round(value * 10) / 10;
