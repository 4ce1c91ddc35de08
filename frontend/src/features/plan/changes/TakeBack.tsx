import { useEffect } from "react";
import type { SessionView } from "../../../api/client";
import { say } from "../../../phrases/screens/plan/changes";
import { Button } from "../../../ui/Button";
import type { PlanChanges } from "./usePlanChanges";

/** Taking changes of the plan back and doing them again: two buttons, and the keys everybody knows. */
export function TakeBack({ session, changes }: { session: SessionView; changes: PlanChanges }) {
  const { can_undo, can_redo } = session;
  const { undo, redo } = changes;
  useEffect(() => {
    function press(event: KeyboardEvent) {
      const typing = event.target instanceof HTMLElement && event.target.matches("input, textarea, select");
      if (typing || event.key.toLowerCase() !== "z" || !(event.ctrlKey || event.metaKey)) return;
      event.preventDefault();
      if (event.shiftKey && can_redo) redo();
      else if (!event.shiftKey && can_undo) undo();
    }
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [can_undo, can_redo, undo, redo]);
  return (
    <>
      <Button look="quiet" className="px-2.5" disabled={!can_undo} onClick={undo}>
        {say.undo}
      </Button>
      {can_redo && (
        <Button look="quiet" className="px-2.5" onClick={redo}>
          {say.redo}
        </Button>
      )}
    </>
  );
}
