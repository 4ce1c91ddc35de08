import { say } from "../../../phrases/screens/today/booking";
import { Button } from "../../../ui/Button";
import { focusIn } from "../../../ui/focusIn";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Waiting } from "../../../ui/Waiting";
import { Clashes } from "../Clashes";
import type { Moving } from "./useMoving";

/** What does not fit a move, before it is stored: done anyway, or left. */
export function MoveAsked({ moving }: { moving: Moving }) {
  if (moving.error) return <ProblemNote error={moving.error} />;
  if (!moving.asked) return moving.busy ? <Waiting what={say.looking} /> : null;
  return (
    <section
      ref={focusIn}
      tabIndex={-1}
      aria-label={say.clashesOf}
      className="mt-2 rounded-box bg-base-200 px-5 py-3 outline-none"
    >
      <Clashes clashes={moving.asked.clashes} />
      <div className="mt-2 flex flex-wrap gap-2">
        <Button look="main" onClick={moving.leave}>
          {say.leaveWhereItIs}
        </Button>
        <Button onClick={moving.confirm} disabled={moving.busy}>
          {say.moveAnyway}
        </Button>
      </div>
    </section>
  );
}
