import { startTransition, useEffect, useState } from "react";

/** False for the first drawing of a page, true after it: what lies below the fold need not hold up what is above it. */
export function useLater(): boolean {
  const [later, setLater] = useState(false);
  useEffect(() => {
    const frame = requestAnimationFrame(() => startTransition(() => setLater(true)));
    return () => cancelAnimationFrame(frame);
  }, []);
  return later;
}
