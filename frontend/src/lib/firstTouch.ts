/** When the first touch is to be, in ms since 1970. */
export function firstTouch(session: {
  starts_at: string;
  evaluation: { first_touch_seconds: number };
}): number {
  return Date.parse(session.starts_at) + session.evaluation.first_touch_seconds * 1000;
}
