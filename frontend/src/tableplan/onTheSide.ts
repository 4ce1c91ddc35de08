import type { Frame, Point } from "./geometry";
import { type Posture, strip, type Which } from "./posture";

/** Lying on one side: `f` is which way on the page the client looks, 1 upward. */
export function onTheSide(f: 1 | -1): Posture {
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
