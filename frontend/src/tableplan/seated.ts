/** Sitting, or kneeling, upright or leaning on something. */
import type { Frame } from "./geometry";
import { type BodyPiece, both, type Half, mirrored, type Posture, piece, strip } from "./posture";

/** Seated or kneeling and leaning forward on something: the back is seen, shortened; the arms reach forward. */
export function leaning(on: "chair" | "ball"): Posture {
  const half: Half = (side) => (side === "right" ? 1 : -1);
  const regions = (s: number): Record<string, Frame> => ({
    scalp: strip([10, 0], [20, 0], 7.5),
    neck: strip([27, 0], [33, 0], 5, 6),
    shoulders: strip([35, s * 8], [38, s * 18], 4.5),
    chest: strip([41, s * 10], [41, s * 17], 4),
    back: strip([40, 0], [78, 0], 13),
    side_body: strip([46, s * 15.5], [70, s * 14], 3.2),
    hips: strip([82, s * 6], [86, s * 11], 7.5),
    arm: strip([36, s * 22], [14, s * 25], 4.6, 3.4),
    hand: strip([9, s * 22], [4, s * 16], 3.6, 3),
  });
  const holds: BodyPiece[] =
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
          ...both((s): BodyPiece[] => [piece([62, s * 24], [98, s * 23], 5.5)]),
        ];
  return {
    region: (id, side) => regions(half(side))[id],
    body: [
      ...both((s): BodyPiece[] => [
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
export function upright(): Posture {
  const half: Half = (side) => (side === "right" ? 1 : -1);
  const regions = (s: number): Record<string, Frame> => ({
    scalp: strip([50, 0], [58, 0], 7),
    face: strip([46, 0], [51, 0], 6, 5),
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
      ...both((s): BodyPiece[] => [
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
