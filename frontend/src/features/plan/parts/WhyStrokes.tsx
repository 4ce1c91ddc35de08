import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { SessionView } from "../../../api/client";
import { strokeReasonsQuery } from "../../../api/queries";
import { useCatalogue } from "../../../api/useCatalogue";
import { whyNotStroke, whyStroke } from "../../../phrases/plan/strokeReasons";
import { say } from "../../../phrases/screens/plan/parts";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Waiting } from "../../../ui/Waiting";

const OTHERS = 5;

/** Why the strokes of an opened part are there, and what others would take; worked out when it is asked. */
export function WhyStrokes({ session, partId }: { session: SessionView; partId: string }) {
  const [open, setOpen] = useState(false);
  return (
    <div className="pl-14">
      <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
        {say.whyTheseStrokes}
      </Button>
      {open && <Reasons session={session} partId={partId} />}
    </div>
  );
}

function Reasons({ session, partId }: { session: SessionView; partId: string }) {
  const catalogue = useCatalogue();
  const found = useQuery(strokeReasonsQuery(session.session_id, session.revision, partId));
  if (found.error) return <ProblemNote error={found.error} onAgain={() => found.refetch()} />;
  if (!found.data) return <Waiting what={say.tryingOtherStrokes} />;
  const name = (stroke: string) => catalogue.strokes[stroke]?.name ?? stroke;
  return (
    <div className="mb-3 max-w-[64ch] pr-1">
      {found.data.light_at_end && <p className="mb-2">{say.lightAtEnd}</p>}
      <ul className="grid gap-1">
        {found.data.there.map((reason) => (
          <li key={reason.stroke}>{whyStroke(reason, name)}</li>
        ))}
      </ul>
      {found.data.others.length > 0 && (
        <>
          <h4 className="mt-3 font-bold">{say.whyNotOthers}</h4>
          <ul className="grid gap-1 text-quiet">
            {found.data.others.slice(0, OTHERS).map((reason) => (
              <li key={reason.stroke}>{whyNotStroke(reason, name)}</li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
