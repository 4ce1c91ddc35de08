import { api } from "./client";
import { forgetRuns } from "./keptRuns";

/** Sign out, and leave no client's session on this device. */
export async function signOut() {
  await api.DELETE("/api/sign-in");
  await forgetRuns().catch(() => undefined);
}
