import { api } from "./client";
import { forgetForms } from "./keptForms";
import { forgetRuns } from "./keptRuns";
import { isLeaving, leaveOwnerless, setLeaving } from "./owner";

/**
 * Sign out. The device is cleared first: no session and no half filled form stays on it, whether or not the server can
 * be reached; taps that have not been sent stay, hidden until whoever made them signs in again.
 */
export async function signOut() {
  setLeaving(true);
  leaveOwnerless();
  forgetForms();
  await forgetRuns().catch(() => undefined);
  await finishSignOut();
}

/** Tell the server of a signing out that it does not know of yet; whether it knows now. */
export async function finishSignOut(): Promise<boolean> {
  if (!isLeaving()) return true;
  try {
    await api.DELETE("/api/sign-in");
  } catch {
    return false;
  }
  setLeaving(false);
  return true;
}
