/** Lying straight, face down or up, or half sitting. */
import type { Frame, Point } from "./geometry";
import { type BodyPiece, both, type Half, mirrored, type Posture, piece, strip } from "./posture";

const TORSO: readonly Point[] = [
  [25, 5],
  [29, 8],
  [31.5, 17],
  [36, 21],
  [43, 19],
  [60, 14.5],
  [74, 16.5],
  [87, 19.5],
  [97, 18],
  [101, 9],
];

const STRAIGHT: BodyPiece[] = [
  { kind: "round", at: [11, 0], rx: 11.5, ry: 8.5 },
  piece([20, 0], [30, 0], 5.5, 6.5),
  { kind: "soft", points: mirrored(TORSO) },
  ...both((s) => [
    piece([37, s * 20.5], [62, s * 26.5], 5.2, 4.2),
    piece([62, s * 26.5], [86, s * 28.5], 4.2, 3),
    piece([88, s * 28.8], [99, s * 29.5], 3.9, 2.6),
    piece([94, s * 10], [125, s * 11.5], 9.6, 6.6),
    piece([125, s * 11.5], [138, s * 11.8], 6.4, 6.4),
    piece([138, s * 11.8], [163, s * 12], 6.4, 3.8),
  ]),
];

/** The regions of one who lies straight, by the sign of their side. */
function straight(id: string, s: number): Frame | undefined {
  const found: Record<string, Frame> = {
    scalp: strip([4, 0], [13, 0], 7.5),
    face: strip([8, 0], [17, 0], 6.5, 5),
    neck: strip([22, 0], [29, 0], 5, 6),
    shoulders: strip([31.5, s * 8], [35, s * 18], 4.5),
    chest: strip([40, s * 5], [40, s * 13], 6),
    abdomen: strip([60, 0], [80, 0], 11),
    back: strip([36, 0], [82, 0], 13.5),
    side_body: strip([44, s * 15.5], [74, s * 13.5], 3.4),
    hips: strip([88, s * 7], [92, s * 12], 8.5),
    hip_front: strip([84, s * 10], [92, s * 12], 5.5),
    thigh_back: strip([98, s * 10.2], [120, s * 11.4], 8.6, 6.6),
    thigh_front: strip([98, s * 10.2], [120, s * 11.4], 8.6, 6.6),
    lower_leg_back: strip([132, s * 11.7], [158, s * 12], 6.2, 4),
    lower_leg_front: strip([132, s * 11.7], [158, s * 12], 6.2, 4),
    arm: strip([38, s * 21], [84, s * 28], 5, 3.2),
    hand: strip([89, s * 28.8], [97, s * 29.3], 3.8, 3),
  };
  return found[id];
}

// The jaw and the line of the collarbone are reached from above the head and at the edge of the table.
const FRONT = new Set(["abdomen", "hip_front", "thigh_front", "lower_leg_front"]);
const BACK = new Set(["back", "thigh_back"]);

export function prone(): Posture {
  const half: Half = (side) => (side === "right" ? 1 : -1);
  const foot = (s: number) => strip([166, s * 12], [176, s * 11], 3.8, 4.4);
  return {
    region: (id, side) =>
      FRONT.has(id) ? undefined : id === "foot" ? foot(half(side)) : straight(id, half(side)),
    body: [...STRAIGHT, ...both((s) => [{ kind: "strip", frame: foot(s) }])],
    supports: [
      { kind: "strip", frame: strip([158, -26], [158, 26], 6) },
      { kind: "round", at: [10, 0], rx: 15, ry: 13 },
    ],
    sheetFrom: 30,
    right: 1,
    length: 180,
  };
}

export function supine(): Posture {
  const half: Half = (side) => (side === "right" ? -1 : 1);
  const foot = (s: number) => strip([165, s * 12.5], [174, s * 17], 3.8, 3.4);
  return {
    region: (id, side) =>
      BACK.has(id) ? undefined : id === "foot" ? foot(half(side)) : straight(id, half(side)),
    body: [...STRAIGHT, ...both((s) => [{ kind: "strip", frame: foot(s) }])],
    supports: [
      { kind: "strip", frame: strip([126, -27], [126, 27], 7.5) },
      {
        kind: "soft",
        points: mirrored([
          [-3, 8],
          [0, 15],
          [18, 16],
          [22, 6],
        ]),
      },
    ],
    sheetFrom: 34,
    right: -1,
    length: 180,
  };
}

/** Half sitting: the back is raised, so what lies on it is seen shorter. */
export function semiReclined(): Posture {
  const lying = supine();
  const shorter = (u: number) => (u < 88 ? 88 - (88 - u) * 0.78 : u);
  const raise = ([u, v]: Point): Point => [shorter(u), v];
  return {
    ...lying,
    region: (id, side) => {
      const frame = lying.region(id, side);
      return frame && { ...frame, from: raise(frame.from), to: raise(frame.to) };
    },
    body: lying.body.map((part) => raised(part, raise)),
    supports: [
      {
        kind: "soft",
        points: mirrored([
          [13, 24],
          [16, 30],
          [84, 32],
          [88, 20],
        ]),
      },
      { kind: "strip", frame: strip([126, -27], [126, 27], 7.5) },
    ],
    sheetFrom: shorter(34),
  };
}

function raised(part: BodyPiece, raise: (point: Point) => Point): BodyPiece {
  if (part.kind === "soft") return { ...part, points: part.points.map(raise) };
  if (part.kind === "round") return { ...part, at: raise(part.at), rx: part.rx * 0.9 };
  return { ...part, frame: { ...part.frame, from: raise(part.frame.from), to: raise(part.frame.to) } };
}
