import { type ReactNode, useEffect, useId, useRef, useState } from "react";
import { Button } from "./Button";
import { Popover } from "./Popover";

interface Props {
  /** What the word is about, for the panel's heading and for screen readers. */
  about: string;
  /** The word as it reads in the sentence. */
  children: ReactNode;
  faulty?: boolean;
  panel(close: () => void): ReactNode;
}

/**
 * A word in a sentence that opens in place. Escape, a tap outside or leaving it closes it. On a small screen it is a chip
 * where the sentence is one line of `chips`.
 */
export function OpenWord({ about, children, faulty, panel }: Props) {
  const [open, setOpen] = useState(false);
  const root = useRef<HTMLSpanElement>(null);
  const button = useRef<HTMLButtonElement>(null);
  const id = useId();

  useEffect(() => {
    if (!open) return;
    const panel = root.current?.querySelector("[role=dialog]");
    // Among choices, the one that is chosen; the arrows go on from there.
    const first = panel?.querySelector<HTMLElement>("[data-first], input[type=radio]:checked");
    (first ?? panel?.querySelector<HTMLElement>(":is(input, button)"))?.focus();
    const outside = (event: PointerEvent) => {
      if (!root.current?.contains(event.target as Node)) setOpen(false);
    };
    document.addEventListener("pointerdown", outside);
    return () => document.removeEventListener("pointerdown", outside);
  }, [open]);

  function close() {
    setOpen(false);
    // Whoever has gone on to something else meanwhile is not scrolled back.
    button.current?.focus({ preventScroll: true });
  }

  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: it only listens to what its button and panel let through
    <span
      ref={root}
      className="inline"
      onKeyDown={(event) => event.key === "Escape" && open && close()}
      onBlur={(event) => {
        if (event.relatedTarget && !event.currentTarget.contains(event.relatedTarget)) setOpen(false);
      }}
    >
      <Button
        look="shape"
        ref={button}
        aria-expanded={open}
        aria-controls={open ? id : undefined}
        aria-label={`${about}: ${typeof children === "string" ? children : ""}`}
        onClick={() => setOpen(!open)}
        className={`-mx-2 -my-2.5 inline-block min-h-11 min-w-11 cursor-pointer rounded px-2 py-2 text-left leading-snug underline max-sm:in-[.chips]:my-0 max-sm:in-[.chips]:mx-0 max-sm:in-[.chips]:rounded-full max-sm:in-[.chips]:bg-base-200 max-sm:in-[.chips]:px-3 max-sm:in-[.chips]:py-2 max-sm:in-[.chips]:no-underline decoration-2 underline-offset-[0.3em] ${
          faulty
            ? "text-accent decoration-accent decoration-wavy hover:bg-base-100"
            : "text-primary decoration-tide/60 decoration-dotted hover:bg-base-300"
        }`}
      >
        {children}
      </Button>
      {open && (
        <Popover
          anchor={button.current}
          id={id}
          role="dialog"
          label={about}
          className="p-5 sm:max-w-[34rem]!"
        >
          {panel(close)}
        </Popover>
      )}
    </span>
  );
}
