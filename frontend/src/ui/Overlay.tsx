import type { ReactNode } from "react";
import { focusIn } from "./focusIn";

interface Props {
  label: string;
  /** Where it lies over the page, and how its parts stand. */
  className: string;
  onClose(): void;
  children: ReactNode;
}

/** What opens over the page: keys arrive in it, and Escape leaves it. */
export function Overlay({ label, className, onClose, children }: Props) {
  return (
    <div
      ref={focusIn}
      tabIndex={-1}
      role="dialog"
      aria-modal="true"
      aria-label={label}
      onKeyDown={(event) => event.key === "Escape" && onClose()}
      className={`fixed z-30 bg-base-100 outline-none ${className}`}
    >
      {children}
    </div>
  );
}
