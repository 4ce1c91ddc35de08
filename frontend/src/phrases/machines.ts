/** What a machine of the room reads, in words. */
import type { MachineState } from "../api/client";
import { tableHeightWords } from "./measures";
import { say } from "./screens/practice/machines";
import { timeOfDay } from "./time";

/** `off, 20 °C`, `41 °C, ready at 14:05`, `warm, 62 °C`. */
export function warmerReading(
  { warmer, warm_at }: Pick<MachineState, "warmer" | "warm_at">,
  timeZone: string,
): string {
  if (!warmer) return say.asking;
  const degrees = Math.round(warmer.temperature_c);
  if (!warmer.on) return say.off(degrees);
  return warmer.ready_in_s ? say.warming(degrees, timeOfDay(warm_at ?? "", timeZone)) : say.warm(degrees);
}

/** What a machine says in the settings. */
export function machineReading(state: MachineState | undefined, timeZone: string): string {
  if (!state?.table) return warmerReading(state ?? {}, timeZone);
  const height = tableHeightWords(state.table.height_cm);
  return state.table.moving ? say.moves(height) : say.stands(height);
}
