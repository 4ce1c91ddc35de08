import { cloneElement, type ReactElement, useId } from "react";

/** A labelled control of a form, with what it wants to know and what is wrong with it. */
export function Entry(props: {
  label: string;
  hint?: string | undefined;
  fault?: string | undefined;
  children: ReactElement<{ "aria-describedby"?: string }>;
}) {
  const { label, hint, fault } = props;
  const id = useId();
  return (
    <div className="mt-5">
      {/* biome-ignore lint/a11y/noLabelWithoutControl: the control is the child */}
      <label className="block">
        <span className="mb-1 block font-bold">{label}</span>
        {cloneElement(props.children, hint || fault ? { "aria-describedby": id } : {})}
      </label>
      <p
        id={id}
        role={fault ? "alert" : undefined}
        className={`mt-1 ${fault ? "text-accent" : "text-quiet"}`}
      >
        {fault ? `△ ${fault}` : hint}
      </p>
    </div>
  );
}
