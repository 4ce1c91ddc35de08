import { useState } from "react";

/**
 * A list that does not move under a finger: from the press on it to its end the list stays as it was drawn, though a
 * newer one has arrived. Spread `steady` on the element that holds it.
 */
export function useSteady<T>(newest: T): { shown: T; steady: Record<string, () => void> } {
  const [held, setHeld] = useState<{ list: T } | null>(null);
  // The click comes after the press has ended: what it is on must still be there.
  const release = () => setTimeout(() => setHeld(null));
  return {
    shown: held ? held.list : newest,
    steady: {
      onPointerDown: () => setHeld({ list: newest }),
      onPointerUp: release,
      onPointerCancel: release,
      onPointerLeave: release,
    },
  };
}
