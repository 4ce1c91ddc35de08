/** Changing a stroke in the list: the other side of its region follows where it is worked alike. */
import type { Edit, Stop } from "../../api/client";

type Change = Pick<Extract<Edit, { kind: "change_step" }>, "passes" | "depth" | "tool">;

/** The edits that give step `index` of a stop, and of those worked just like it, other passes, depth or tool. */
export function stepEdits(stops: readonly Stop[], stop: Stop, index: number, change: Change): Edit[] {
  const alike = stops.filter(
    (other) =>
      other.role === "work" &&
      other.region === stop.region &&
      JSON.stringify(other.steps) === JSON.stringify(stop.steps),
  );
  return alike.map((other) => ({ kind: "change_step", stop_id: other.id, step: index, ...change }));
}
