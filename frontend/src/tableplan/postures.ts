/**
 * How a client lies or sits, seen from above, in centimetres: the head to the left of the page, `u` from the crown
 * along the body and `v` upward from its axis. Each posture says where every region it reaches lies, and what of the body
 * and of what holds it up is drawn.
 */
import type { Frame, Point } from "./geometry";

export type Which = "left" | "right";

/** A piece of the body or of what holds it up. */
export type Piece =
  | { kind: "strip"; frame: Frame }
  | { kind: "soft"; points: readonly Point[] }
  | { kind: "round"; at: Point; rx: number; ry: number };

export interface Posture {
  /** Where a region lies; for one of a pair, on the client's `side`. Nothing if it is hidden. */
  region(id: string, side: Which): Frame | undefined;
  body: readonly Piece[];
  /** Under the body: bolsters, pillows, a wedge, a ball, pads. */
  supports: readonly Piece[];
  /** From where the sheet covers a client who is covered, along the body; none for one who is seated. */
  sheetFrom?: number;
  /** How the client's own right is turned on the page: 1 upward, -1 downward. */
  right: 1 | -1;
  /** How far the body reaches along the page. */
  length: number;
}

type Half = (side: Which) => 1 | -1;

const strip = (from: Point, to: Point, w0: number, w1 = w0): Frame => ({ from, to, width: [w0, w1] });
const piece = (from: Point, to: Point, w0: number, w1 = w0): Piece => ({
  kind: "strip",
  frame: strip(from, to, w0, w1),
});

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

/** Both halves of a soft outline that is the same on either side of the body's axis. */
function mirrored(points: readonly Point[]): Point[] {
  return [...points, ...[...points].reverse().map(([u, v]): Point => [u, -v])];
}

function both(make: (sign: 1 | -1) => Piece[]): Piece[] {
  return [...make(1), ...make(-1)];
}

const STRAIGHT: Piece[] = [
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

const FRONT = new Set(["face", "chest", "abdomen", "hip_front", "thigh_front", "lower_leg_front"]);
const BACK = new Set(["back", "hips", "thigh_back"]);

function prone(): Posture {
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

function supine(): Posture {
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
function semiReclined(): Posture {
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

function raised(part: Piece, raise: (point: Point) => Point): Piece {
  if (part.kind === "soft") return { ...part, points: part.points.map(raise) };
  if (part.kind === "round") return { ...part, at: raise(part.at), rx: part.rx * 0.9 };
  return { ...part, frame: { ...part.frame, from: raise(part.frame.from), to: raise(part.frame.to) } };
}

/** Lying on one side: `f` is which way on the page the client looks, 1 upward. */
function onTheSide(f: 1 | -1): Posture {
  const upper: Which = f === 1 ? "right" : "left";
  const at = (u: number, v: number): Point => [u, v * f];
  const go = (from: Point, to: Point, w0: number, w1 = w0) => strip(at(...from), at(...to), w0, w1);
  const regions: Record<string, Frame> = {
    scalp: go([5, -3], [13, -4], 7),
    face: go([8, 6], [18, 7], 4, 4.5),
    neck: go([22, -2], [29, -3], 4.5, 5.5),
    shoulders: go([33, -5], [37, 2], 5),
    chest: go([40, 7], [50, 8], 5),
    abdomen: go([60, 6], [80, 7], 7),
    back: go([36, -9], [82, -9], 4.5),
    side_body: go([46, -1], [76, 0], 4),
    hips: go([88, -5], [94, -2], 9),
    hip_front: go([88, 7], [94, 8], 5),
    thigh_back: go([100, 0], [118, 12], 6, 5),
    thigh_front: go([99, 8], [116, 21], 5.5, 4.5),
    lower_leg_back: go([128, 12], [146, 5], 4.5, 3.2),
    lower_leg_front: go([126, 19], [147, 11], 4, 3),
    foot: go([152, 6], [160, 11], 3.6, 3),
    arm: go([39, 5], [68, 24], 4.8, 3.4),
    hand: go([70, 25], [75, 17], 3.6, 3),
  };
  return {
    region: (id, side) => (side === upper || !PAIRED.has(id) ? regions[id] : undefined),
    body: [
      { kind: "round", at: at(11, 0), rx: 11.5, ry: 9.5 },
      { kind: "round", at: at(13.5, 9.5), rx: 2.2, ry: 2 },
      { kind: "strip", frame: go([20, -2], [30, -3], 5, 6) },
      { kind: "soft", points: SIDE_TORSO.map(([u, v]) => at(u, v)) },
      // The lower leg straight, the upper one bent over the bolster.
      { kind: "strip", frame: go([94, -3], [128, -3], 9, 6) },
      { kind: "strip", frame: go([128, -3], [164, -5], 6, 3.8) },
      { kind: "strip", frame: go([166, -4], [173, 1], 3.6, 3) },
      { kind: "strip", frame: go([94, 1], [122, 17], 9.5, 6.6) },
      { kind: "strip", frame: go([122, 17], [150, 6], 6.4, 3.6) },
      { kind: "strip", frame: regions.foot as Frame },
      { kind: "strip", frame: go([38, 2], [52, 21], 5.2, 4) },
      { kind: "strip", frame: go([52, 21], [70, 24], 4, 3) },
      { kind: "strip", frame: regions.hand as Frame },
    ],
    supports: [
      {
        kind: "soft",
        points: [
          [-4, -14],
          [-2, 13],
          [24, 13],
          [25, -13],
        ].map(([u = 0, v = 0]) => at(u, v)),
      },
      { kind: "strip", frame: go([48, 23], [78, 21], 7) },
      { kind: "strip", frame: go([112, 13], [150, 9], 9, 8) },
    ],
    sheetFrom: 33,
    right: -1,
    length: 178,
  };
}

const PAIRED = new Set([
  "shoulders",
  "chest",
  "side_body",
  "hips",
  "hip_front",
  "thigh_back",
  "thigh_front",
  "lower_leg_back",
  "lower_leg_front",
  "foot",
  "arm",
  "hand",
]);

const SIDE_TORSO: readonly Point[] = [
  [27, -9],
  [38, -14],
  [58, -11.5],
  [72, -11],
  [88, -15],
  [99, -13],
  [103, -2],
  [98, 9],
  [84, 11],
  [68, 10],
  [52, 13],
  [38, 11],
  [29, 5],
];

/** Seated or kneeling and leaning forward on something: the back is seen, shortened; the arms reach forward. */
function leaning(on: "chair" | "ball"): Posture {
  const half: Half = (side) => (side === "right" ? 1 : -1);
  const regions = (s: number): Record<string, Frame> => ({
    scalp: strip([10, 0], [20, 0], 7.5),
    neck: strip([27, 0], [33, 0], 5, 6),
    shoulders: strip([35, s * 8], [38, s * 18], 4.5),
    back: strip([40, 0], [78, 0], 13),
    side_body: strip([46, s * 15.5], [70, s * 14], 3.2),
    hips: strip([82, s * 6], [86, s * 11], 7.5),
    arm: strip([36, s * 22], [14, s * 25], 4.6, 3.4),
    hand: strip([9, s * 22], [4, s * 16], 3.6, 3),
  });
  const holds: Piece[] =
    on === "ball"
      ? [
          { kind: "round", at: [16, 0], rx: 26, ry: 26 },
          {
            kind: "soft",
            points: mirrored([
              [86, 22],
              [90, 28],
              [126, 28],
              [130, 20],
            ]),
          },
        ]
      : [
          { kind: "strip", frame: strip([10, -25], [10, 25], 5) },
          { kind: "strip", frame: strip([42, -13], [42, 13], 9) },
          { kind: "round", at: [16, 0], rx: 15, ry: 13 },
          {
            kind: "soft",
            points: mirrored([
              [74, 14],
              [80, 18],
              [96, 17],
              [102, 8],
            ]),
          },
          ...both((s): Piece[] => [piece([62, s * 24], [98, s * 23], 5.5)]),
        ];
  return {
    region: (id, side) => regions(half(side))[id],
    body: [
      ...both((s): Piece[] => [
        piece([82, s * 9], [60, s * 22], 9, 7),
        piece([60, s * 23], [96, s * 22], 6, 4),
        piece([98, s * 22], [106, s * 22], 3.6, 3),
        piece([37, s * 20], [26, s * 27], 5, 4.2),
        piece([26, s * 27], [12, s * 24], 4.2, 3),
        piece([9, s * 22], [4, s * 16], 3.6, 3),
      ]),
      { kind: "round", at: [16, 0], rx: 11, ry: 8.5 },
      piece([25, 0], [34, 0], 5.5, 6.5),
      {
        kind: "soft",
        points: mirrored([
          [30, 5],
          [33, 9],
          [35.5, 17],
          [40, 20.5],
          [47, 18.5],
          [60, 14.5],
          [72, 16.5],
          [82, 19],
          [91, 16],
          [95, 7],
        ]),
      },
    ],
    supports: holds,
    right: 1,
    length: 112,
  };
}

/** Sitting up, seen from above: the head over the shoulders, the thighs forward. */
function upright(): Posture {
  const half: Half = (side) => (side === "right" ? 1 : -1);
  const regions = (s: number): Record<string, Frame> => ({
    scalp: strip([50, 0], [58, 0], 7),
    neck: strip([63, 0], [65, 0], 6),
    shoulders: strip([57, s * 12], [57, s * 19], 5),
    chest: strip([46, s * 5], [46, s * 12], 4),
    back: strip([68, -12], [68, 12], 5),
    side_body: strip([52, s * 18], [63, s * 18], 3),
    arm: strip([55, s * 24], [26, s * 22], 4.8, 3.4),
    hand: strip([21, s * 20], [14, s * 16], 3.6, 3),
    foot: strip([2, s * 10], [-7, s * 11], 3.6, 3.2),
  });
  return {
    region: (id, side) => regions(half(side))[id],
    body: [
      ...both((s): Piece[] => [
        piece([60, s * 9], [20, s * 12], 9, 7),
        { kind: "strip", frame: strip([6, s * 11], [-6, s * 12], 3.8, 3.2) },
        piece([56, s * 22], [40, s * 26], 5.2, 4.2),
        piece([40, s * 26], [24, s * 21], 4.2, 3),
        piece([21, s * 20], [14, s * 16], 3.6, 3),
      ]),
      {
        kind: "soft",
        points: mirrored([
          [44, 8],
          [46, 18],
          [54, 24],
          [63, 23],
          [71, 14],
          [73, 4],
        ]),
      },
      { kind: "round", at: [55, 0], rx: 10, ry: 8.5 },
    ],
    supports: [
      {
        kind: "soft",
        points: mirrored([
          [34, 16],
          [40, 21],
          [74, 21],
          [80, 14],
        ]),
      },
      { kind: "strip", frame: strip([16, -20], [16, 20], 5) },
    ],
    right: 1,
    length: 84,
  };
}

const POSTURES: Record<string, Posture> = {
  prone: prone(),
  supine: supine(),
  side_left: onTheSide(1),
  side_right: onTheSide(-1),
  semi_reclined: semiReclined(),
  seated_leaning: leaning("chair"),
  seated_upright: upright(),
  forward_leaning: leaning("ball"),
};

/** How a position is drawn; one that has no drawing of its own is drawn face up. */
export function postureOf(position: string): Posture {
  return POSTURES[position] ?? (POSTURES.supine as Posture);
}

/** The belly of one who is pregnant, where it is seen. */
export function belly(position: string): Piece | undefined {
  if (position === "side_left") return { kind: "round", at: [70, 13], rx: 13, ry: 10 };
  if (position === "side_right") return { kind: "round", at: [70, -13], rx: 13, ry: 10 };
  if (position === "semi_reclined") return { kind: "round", at: [73, 0], rx: 13, ry: 14 };
  return undefined;
}
