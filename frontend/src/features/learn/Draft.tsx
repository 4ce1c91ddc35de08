import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type Catalogue, type Drafted, Problem } from "../../api/client";
import { draftQuery } from "../../api/queries";
import { useCatalogue } from "../../api/useCatalogue";
import { Compare } from "../../compare/Compare";
import { says } from "../../phrases/learning";
import { say } from "../../phrases/screens/learn";
import { capital, placeName } from "../../phrases/words";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";

/** The next plan, drafted: every change with its reason, and the draft over the last plan. */
export function Draft({ clientId }: { clientId: string }) {
  const catalogue = useCatalogue();
  const draft = useQuery(draftQuery(clientId));
  const [seen, setSeen] = useState(false);
  if (draft.error instanceof Problem && draft.error.document.status === 404) return null;
  if (draft.error) return <ProblemNote error={draft.error} onAgain={() => draft.refetch()} />;
  if (!draft.data) return <Waiting what={say.draftingNextPlan} />;
  const { last, draft: made, reasons } = draft.data;
  return (
    <section aria-label={say.nextPlan}>
      <h2 className="text-2xl">{say.nextPlanDrafted}</h2>
      {reasons.length === 0 ? (
        <p className="mt-1">{say.nothingToChange}</p>
      ) : (
        <ul className="mt-1 grid gap-1">
          {reasons.map((reason) => (
            <li key={reason.region}>{reasonWords(reason, catalogue)}</li>
          ))}
        </ul>
      )}
      <Button className="mt-3" aria-expanded={seen} onClick={() => setSeen(!seen)}>
        {seen ? say.putDraftAway : say.layItOverLastPlan}
      </Button>
      {seen && (
        <div className="mt-3">
          <Compare
            first={last}
            second={made.evaluation}
            names={["Last plan", "Draft"]}
            difference={made.difference}
          />
        </div>
      )}
    </section>
  );
}

/** `Back: depth 4 to 3, since it starts at 2.5, heavy lotioning; sure.` */
export function reasonWords(
  reason: Drafted["reasons"][number],
  catalogue: Pick<Catalogue, "regions">,
): string {
  const name = capital(catalogue.regions[reason.region]?.whole ?? reason.region);
  const depth = reason.start
    ? say.depthChanges(reason.depth_after ?? "none", reason.depth_before ?? "not worked", says(reason.start))
    : "";
  const points = reason.points?.length
    ? say.moreTimeSincePointWasLeft(
        reason.points.map((point) => `${placeName(point, catalogue)} ${point.numbers.join(", ")}`).join("; "),
      )
    : "";
  return `${name}: ${[depth, points].filter(Boolean).join("; ")}.`;
}
