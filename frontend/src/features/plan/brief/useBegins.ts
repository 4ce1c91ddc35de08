import { useState } from "react";
import type { Catalogue, SessionView } from "../../../api/client";

/** When the hands-on minutes begin. */
export function useBegins(session: SessionView, catalogue: Catalogue): Date {
  const before = catalogue.kinds[session.plan.flow.brief.kind ?? ""]?.before_minutes ?? 0;
  const [begins, setBegins] = useState(() => new Date(0));
  const at = new Date(session.starts_at).getTime() + before * 60_000;
  // The same instant stays the same object, so that what shows it is not drawn anew.
  if (begins.getTime() !== at) setBegins(new Date(at));
  return begins;
}
