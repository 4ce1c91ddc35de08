import { Button } from "../../ui/Button";

/** Pixels at the right that the button takes. */
export function spaceOfNearer(near: boolean): number {
  return near ? 150 : 96;
}

/** Bringing the line nearer by a button, for those without a wheel or keys. */
export function Nearer({ near, onNearer, onAll }: { near: boolean; onNearer(): void; onAll(): void }) {
  return (
    <div className="no-print absolute right-0 -top-1 flex gap-1">
      {near && (
        <Button look="quiet" className="bg-base-100" onClick={onAll}>
          Whole session
        </Button>
      )}
      {!near && (
        <Button look="quiet" className="bg-base-100" onClick={onNearer}>
          Zoom in
        </Button>
      )}
    </div>
  );
}
