/** How a client lies or sits in each position of the catalogue. */
import { prone, semiReclined, supine } from "./lying";
import { onTheSide } from "./onTheSide";
import type { BodyPiece, Posture } from "./posture";
import { leaning, upright } from "./seated";

export type { BodyPiece, Posture, Which } from "./posture";

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
export function belly(position: string): BodyPiece | undefined {
  if (position === "side_left") return { kind: "round", at: [70, 13], rx: 13, ry: 10 };
  if (position === "side_right") return { kind: "round", at: [70, -13], rx: 13, ry: 10 };
  if (position === "semi_reclined") return { kind: "round", at: [73, 0], rx: 13, ry: 14 };
  return undefined;
}
