import { type ReactNode, useId } from "react";

/** A part of a page of settings, under its name; `narrow`: no wider than is easily read. `anchor`: how links call it. */
export function Section(props: {
  title: string;
  anchor?: string;
  intro?: string;
  narrow?: boolean;
  children: ReactNode;
}) {
  const id = useId();
  return (
    <section
      id={props.anchor}
      aria-labelledby={id}
      className={`mt-8 scroll-mt-4 border-t border-base-300 pt-5 ${props.narrow ? "max-w-[44rem]" : ""}`}
    >
      <h2 id={id} className="text-2xl">
        {props.title}
      </h2>
      {props.intro && <p className="mt-1 max-w-prose">{props.intro}</p>}
      {props.children}
    </section>
  );
}

/** Sentences of a section, side by side where there is room. */
export function Sentences({ label, children }: { label: string; children: ReactNode }) {
  return (
    <ul
      aria-label={label}
      className="mt-4 grid gap-x-16 lg:grid-cols-2 [&>li]:border-t [&>li]:border-base-300 [&>li:first-child]:border-t-0 lg:[&>li:nth-child(2)]:border-t-0"
    >
      {children}
    </ul>
  );
}
