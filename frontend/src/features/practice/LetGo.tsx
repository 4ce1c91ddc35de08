import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../../api/client";
import { peopleQuery } from "../../api/practiceQueries";
import { askAgain } from "../../api/queries";
import { say } from "../../phrases/screens/practice";
import { Button } from "../../ui/Button";
import { Overlay } from "../../ui/Overlay";
import { ProblemNote } from "../../ui/ProblemNote";

/** Ends somebody's work here, after asking. */
export function LetGo({ member }: { member: { person_id: string; name: string } }) {
  const queries = useQueryClient();
  const [asked, setAsked] = useState(false);
  const { person_id, name } = member;
  const going = useMutation({
    mutationFn: () => api.DELETE("/api/people/{person_id}", { params: { path: { person_id } } }),
    onSuccess: () => askAgain(queries, peopleQuery),
  });
  return (
    <>
      <Button aria-label={say.remove(name)} onClick={() => setAsked(true)}>
        Remove
      </Button>
      {asked && (
        <div className="fixed inset-0 z-20 bg-black/50">
          <Overlay
            label={say.removeNow(name)}
            className="inset-x-5 top-1/3 mx-auto grid max-w-md gap-4 rounded-box px-7 py-6 text-base-content shadow-xl"
            onClose={() => setAsked(false)}
          >
            <h2 className="text-2xl">{say.removeNow(name)}</h2>
            <p>{say.whatRemovingDoes(name)}</p>
            {going.error && <ProblemNote error={going.error} />}
            <div className="flex flex-wrap gap-3">
              <Button look="warn" disabled={going.isPending} onClick={() => going.mutate()}>
                Remove
              </Button>
              <Button onClick={() => setAsked(false)}>Cancel</Button>
            </div>
          </Overlay>
        </div>
      )}
    </>
  );
}
