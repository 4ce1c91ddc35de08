import { autoUpdate, flip, offset, type Placement, shift, size, useFloating } from "@floating-ui/react-dom";
import type { ReactNode } from "react";

/** Pixels between a popover and what it opened from, and between it and the edge of the screen. */
const GAP = 8;
const MARGIN = 12;

/** A popover is never lower than this, in px, however little room there is. */
const LEAST = 160;

interface Props {
  /** What it opened from; it is placed beside it once that is there. */
  anchor: Element | null;
  placement?: Placement;
  /** As wide as what it opened from, at least. */
  asWide?: boolean;
  id?: string;
  role?: "dialog" | "listbox";
  label?: string;
  className?: string;
  children: ReactNode;
}

/** What opens beside a word, a button or a line, wholly on the screen: turned, moved and shortened as far as it takes. */
export function Popover({ anchor, placement = "bottom-start", asWide, className = "", ...rest }: Props) {
  const { refs, floatingStyles } = useFloating({
    strategy: "fixed",
    placement,
    elements: { reference: anchor },
    middleware: [
      offset(GAP),
      flip({ padding: MARGIN, fallbackStrategy: "bestFit" }),
      shift({ padding: MARGIN }),
      size({
        padding: MARGIN,
        apply({ availableHeight, elements, rects }) {
          Object.assign(elements.floating.style, {
            maxHeight: `${Math.max(LEAST, availableHeight)}px`,
            maxWidth: `calc(100vw - ${2 * MARGIN}px)`,
            minWidth: asWide ? `${rects.reference.width}px` : "",
          });
        },
      }),
    ],
    whileElementsMounted: autoUpdate,
  });
  return (
    // biome-ignore lint/a11y/useAriaPropsSupportedByRole: what has a label has a role
    <span
      ref={refs.setFloating}
      id={rest.id}
      role={rest.role}
      aria-label={rest.label}
      style={floatingStyles}
      className={`z-30 block w-max overflow-y-auto rounded-box border border-base-300 bg-base-100 text-left font-sans text-base whitespace-normal shadow-xl ${className}`}
    >
      {rest.children}
    </span>
  );
}
