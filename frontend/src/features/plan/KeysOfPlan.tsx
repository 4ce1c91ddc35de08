import { useEffect, useRef } from "react";
import { say } from "../../phrases/screens/plan/page";
import { Button } from "../../ui/Button";

const KEYS: [string[], string][] = [
  [["←", "→", "Home", "End"], say.keyAlong],
  [[",", "."], say.keyLength],
  [["Alt", ",", "."], say.keyEdge],
  [["Shift", "←", "→"], say.keyMove],
  [["m"], say.keyMirror],
  [["s"], say.keySplit],
  [["Delete"], say.keyLeaveOut],
  [["Shift", "Delete"], say.keyTakeAway],
  [["z", "Esc"], say.keyZoomPart],
  [["Ctrl", "wheel"], say.keyZoom],
  [["/"], say.keyAdd],
  [["Ctrl", "Z"], say.keyUndo],
  [["Ctrl", "Shift", "Z"], say.keyRedo],
  [["?"], "these keys"],
];

/** The keys of the designer, on `?` or by a button. */
export function KeysOfPlan() {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    function press(event: KeyboardEvent) {
      const typing = event.target instanceof HTMLElement && event.target.matches("input, textarea, select");
      if (event.key !== "?" || typing || dialog.current?.open) return;
      event.preventDefault();
      dialog.current?.showModal();
    }
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, []);
  return (
    <>
      <Button look="quiet" onClick={() => dialog.current?.showModal()}>
        Keys
      </Button>
      <dialog ref={dialog} className="modal" aria-labelledby="keys-of-plan">
        <div className="modal-box bg-base-100">
          <h2 id="keys-of-plan" className="text-2xl">
            {say.keysOfThisScreen}
          </h2>
          <dl className="mt-4 grid grid-cols-[auto_1fr] items-baseline gap-x-6 gap-y-2">
            {KEYS.map(([keys, does]) => (
              <div key={does} className="col-span-2 grid grid-cols-subgrid">
                <dt className="flex gap-1">
                  {keys.map((key) => (
                    <kbd key={key} className="kbd">
                      {key}
                    </kbd>
                  ))}
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
          <form method="dialog" className="mt-6">
            <Button look="main" type="submit">
              Close
            </Button>
          </form>
        </div>
      </dialog>
    </>
  );
}
