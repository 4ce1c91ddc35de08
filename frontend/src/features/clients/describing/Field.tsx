/** A labelled control with what is wrong with it. */
export function Field(props: {
  label: string;
  fault?: string | undefined;
  wide?: boolean;
  children: React.ReactNode;
}) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the control is what it is given
    <label className={props.wide ? "block sm:col-span-2" : "block"}>
      <span className="block text-quiet">{props.label}</span>
      {props.children}
      {props.fault && (
        <span role="alert" className="text-accent">
          {props.fault}
        </span>
      )}
    </label>
  );
}
