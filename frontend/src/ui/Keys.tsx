import { useLayoutEffect, useRef } from "react";
import { say } from "../phrases/screens/ui";
import { Button } from "./Button";

const LAST: [string[], string] = [["?"], "these keys"];

/** The keys of a screen, each with what it does; shown on `?` or by a button. */
export function Keys({ keys }: { keys: readonly [string[], string][] }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useLayoutEffect(() => {
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
      <dialog ref={dialog} className="modal" aria-labelledby="keys-of-screen">
        <div className="modal-box bg-base-100">
          <h2 id="keys-of-screen" className="text-2xl">
            {say.keysOfThisScreen}
          </h2>
          <dl className="mt-4 grid grid-cols-[auto_1fr] items-baseline gap-x-6 gap-y-2">
            {[...keys, LAST].map(([each, does]) => (
              <div key={does} className="col-span-2 grid grid-cols-subgrid">
                <dt className="flex gap-1">
                  {each.map((key) => (
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
