/** A form's answers on the client's own device until the practice has them: a reload or a lost network loses none. */
import type { IntakeAnswers } from "../../api/client";
import { FORM_PREFIX } from "../../api/keptForms";

export interface Kept {
  /** Made here when the link is opened; it opens the form again on this device, and on no other. */
  key: string;
  sequence: number;
  answers: IntakeAnswers;
  /** The newest saving that the practice has confirmed. */
  confirmed: number;
  handingIn: boolean;
}

/** A form of which no question has been answered. */
export const NOTHING_ANSWERED: IntakeAnswers = { conditions: {}, condition_places: [], consents: {} };

export function read(token: string, storage: Storage = localStorage): Kept | null {
  const text = storage.getItem(FORM_PREFIX + token);
  if (!text) return null;
  try {
    return JSON.parse(text) as Kept;
  } catch {
    return null;
  }
}

export function keep(token: string, kept: Kept, storage: Storage = localStorage): void {
  storage.setItem(FORM_PREFIX + token, JSON.stringify(kept));
}

/** Nothing of the form stays on the device. */
export function forget(token: string, storage: Storage = localStorage): void {
  storage.removeItem(FORM_PREFIX + token);
}

export function begun(): Kept {
  const bytes = crypto.getRandomValues(new Uint8Array(24));
  const key = [...bytes].map((byte) => byte.toString(16).padStart(2, "0")).join("");
  return {
    key,
    sequence: 0,
    answers: NOTHING_ANSWERED,
    confirmed: 0,
    handingIn: false,
  };
}

/** The answers after a change, to be saved next. */
export function answered(kept: Kept, change: Partial<IntakeAnswers>): Kept {
  return { ...kept, sequence: kept.sequence + 1, answers: { ...kept.answers, ...change } };
}
