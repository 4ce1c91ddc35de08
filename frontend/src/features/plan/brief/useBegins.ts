import { useState } from "react";
import type { SessionView } from "../../../api/client";
import { firstTouch } from "../../../lib/firstTouch";

/** When the hands-on minutes begin. */
export function useBegins(session: SessionView): Date {
  const [begins, setBegins] = useState(() => new Date(0));
  const at = firstTouch(session);
  // The same instant stays the same object, so that what shows it is not drawn anew.
  if (begins.getTime() !== at) setBegins(new Date(at));
  return begins;
}
