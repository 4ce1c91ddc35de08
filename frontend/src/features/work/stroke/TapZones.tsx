import { Button } from "../../../ui/Button";

/** Back on the left third, on on the right: for a knuckle, without looking. */
export function TapZones(props: { first: boolean; onBack(): void; onOn(): void }) {
  return (
    <>
      <TapZone side="left" label="Go back" onTap={props.onBack} disabled={props.first} />
      <TapZone side="right" label="Go on" onTap={props.onOn} />
    </>
  );
}

function TapZone(props: { side: "left" | "right"; label: string; disabled?: boolean; onTap(): void }) {
  return (
    <Button
      look="shape"
      onClick={props.onTap}
      disabled={props.disabled}
      className={`absolute inset-y-0 z-0 flex w-1/3 items-center whitespace-nowrap px-4 text-2xl text-quiet hover:bg-base-content/5 disabled:opacity-30 sm:px-6 ${
        props.side === "left" ? "left-0 justify-start" : "right-0 justify-end"
      } max-sm:items-end max-sm:pb-4`}
    >
      <span className="rounded-field bg-base-100 px-3 py-1">
        {props.side === "left" ? `‹ ${props.label}` : `${props.label} ›`}
      </span>
    </Button>
  );
}
