import { useQuery } from "@tanstack/react-query";
import { api, body, type Difference } from "../../../api/client";
import { DifferenceList } from "../../../compare/DifferenceList";
import { say } from "../../../phrases/screens/plan/changes";
import { Button } from "../../../ui/Button";
import type { TooLate } from "./usePlanChanges";

interface Props {
  sessionId: string;
  tooLate: TooLate;
  onLeave(): void;
  onInsist(): void;
}

/** Somebody else changed the plan first: what they changed, and the choice between theirs and one's own on top of it. */
export function TooLateNote({ sessionId, tooLate, onLeave, onInsist }: Props) {
  const apart = useQuery({
    queryKey: ["meanwhile", sessionId, tooLate.seen],
    queryFn: () =>
      body<Difference>(
        api.POST("/api/sessions/{session_id}/difference", {
          params: { path: { session_id: sessionId } },
          body: { flow: tooLate.seen },
        }),
      ),
  });
  return (
    <section aria-label={say.changedInAnotherWindow} className="my-4 rounded-box bg-base-200 px-6 py-5">
      <div role="alert">
        <h2 className="text-xl">{say.planChangedElsewhere}</h2>
        <p className="mt-1 max-w-[65ch]">{say.yourChangeWasNotMade(tooLate.words)}</p>
      </div>
      <div className="mt-3 min-h-8">
        {apart.data && <DifferenceList difference={apart.data} />}
        {apart.error && <p>{say.whatChangedCannotBeShown}</p>}
      </div>
      <div className="mt-4 flex flex-wrap gap-3">
        <Button look="main" onClick={onInsist}>
          {say.makeMyChangeOnTop}
        </Button>
        <Button className="bg-base-300" onClick={onLeave}>
          {say.dropMyChange}
        </Button>
      </div>
    </section>
  );
}
