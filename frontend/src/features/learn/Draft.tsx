import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type Catalogue, type Drafted, Problem } from "../../api/client";
import { draftQuery } from "../../api/queries";
import { useCatalogue } from "../../api/useCatalogue";
import { Compare } from "../../compare/Compare";
import { says } from "../../phrases/learning";
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
  if (!draft.data) return <Waiting what="Drafting the next plan" />;
  const { last, draft: made, reasons } = draft.data;
  return (
    <section aria-label="The next plan">
      <h2 className="text-2xl">The next plan, drafted</h2>
      {reasons.length === 0 ? (
        <p className="mt-1">As the last one: nothing that was said or left asks for a change.</p>
      ) : (
        <ul className="mt-1 grid gap-1">
          {reasons.map((reason) => (
            <li key={reason.region}>{reasonWords(reason, catalogue)}</li>
          ))}
        </ul>
      )}
      <Button className="mt-3" aria-expanded={seen} onClick={() => setSeen(!seen)}>
        {seen ? "Put the draft away" : "Lay it over the last plan"}
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
    ? `to depth ${reason.depth_after ?? "none"} (it was ${reason.depth_before ?? "not worked"}), since it ${says(reason.start)}`
    : "";
  const points = reason.points?.length
    ? `more time, since a point was left: ${reason.points
        .map((point) => `${placeName(point, catalogue)} ${point.numbers.join(", ")}`)
        .join("; ")}`
    : "";
  return `${name}: ${[depth, points].filter(Boolean).join("; ")}.`;
}
