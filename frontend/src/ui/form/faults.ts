import { Problem } from "../../api/client";
import { capital } from "../../phrases/words";

/** What the server says is wrong with a field, and how to mend it. */
export function faultOf(error: unknown, field: string): string | undefined {
  const told = error instanceof Problem ? error.forField(field) : undefined;
  return told && `${capital(told.what)}: ${told.remedy}.`;
}

/** Whether what was refused is told at its fields, all of which are on screen. */
export function isToldAtFields(error: unknown): boolean {
  return error instanceof Problem && (error.document.errors ?? []).length > 0;
}
