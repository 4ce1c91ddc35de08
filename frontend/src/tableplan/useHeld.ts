import { useRef } from "react";

/** Milliseconds for which a place is pressed until that is holding it. */
const HELD = 500;

/** What a place does that is tapped, or held down: of one press only one of the two. */
export function useHeld<Place>(onTap: (place: Place) => void, onHold: ((place: Place) => void) | undefined) {
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const held = useRef(false);
  const end = () => clearTimeout(timer.current);
  return (place: Place) => ({
    onClick: () => {
      if (!held.current) onTap(place);
      held.current = false;
    },
    ...(onHold && {
      onPointerDown: () => {
        held.current = false;
        timer.current = setTimeout(() => {
          held.current = true;
          onHold(place);
        }, HELD);
      },
      onPointerUp: end,
      onPointerLeave: end,
      onPointerCancel: end,
      // A long touch is no wish for the browser's own menu.
      onContextMenu: (event: { preventDefault(): void }) => event.preventDefault(),
    }),
  });
}
