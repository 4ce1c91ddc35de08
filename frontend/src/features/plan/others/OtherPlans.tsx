import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import {
  type Adjustment,
  api,
  type Brief,
  body,
  type Catalogue,
  type SessionView,
} from "../../../api/client";
import { alternativesQuery } from "../../../api/queries";
import { useCatalogue } from "../../../api/useCatalogue";
import { Beside } from "../../../compare/Beside";
import { whatSetsApart } from "../../../phrases/plan/apart";
import { say } from "../../../phrases/screens/plan/others";
import { capital } from "../../../phrases/words";
import { SmallTide } from "../../../tideline/SmallTide";
import { Button } from "../../../ui/Button";

interface Props {
  session: SessionView;
  onTake(brief: Brief): void;
}

/** Other good answers to the same brief, as small tides; each can be laid over the present one, and taken. */
export function OtherPlans({ session, onTake }: Props) {
  const catalogue = useCatalogue();
  const found = useQuery(alternativesQuery(session.session_id, session.revision));
  const [compared, setCompared] = useState<Brief | null>(null);
  if (found.isPending) return <p className="mt-4 text-quiet italic">{say.lookingForOtherWays}</p>;
  if (!found.data || found.data.others.length === 0) return null;
  const { present, others } = found.data;
  const wholeOf = (region: string) => catalogue.regions[region]?.whole ?? region;
  const isCompared = others.some(({ brief }) => brief === compared);
  return (
    <section aria-label={say.otherPlans} className="no-print mt-6">
      <h2 className="text-2xl">{say.otherPlans}</h2>
      <ul className="mt-2 grid gap-4 sm:grid-cols-2">
        {others.map(({ brief, sheet, traits }) => {
          const name = nameOf(brief, session, catalogue);
          return (
            <li
              key={`${brief.school} ${brief.first_position}`}
              className="flex min-w-0 flex-col rounded-box bg-base-200 px-5 py-4"
            >
              <h3 className="font-sans text-lg font-bold">{name}</h3>
              <div className="my-2 overflow-hidden">
                <SmallTide sheet={sheet} width={280} height={64} />
              </div>
              <p>{whatSetsApart(traits, present, wholeOf)}</p>
              <div className="mt-auto flex flex-wrap gap-2 pt-3">
                <Button className="bg-base-100" onClick={() => onTake(brief)}>
                  {say.take(name.toLowerCase())}
                </Button>
                <Button
                  look="quiet"
                  aria-pressed={brief === compared}
                  onClick={() => setCompared(brief === compared ? null : brief)}
                >
                  Compare
                </Button>
              </div>
            </li>
          );
        })}
      </ul>
      {compared && isCompared && (
        <Comparison session={session} brief={compared} name={nameOf(compared, session, catalogue)} />
      )}
    </section>
  );
}

function Comparison(props: { session: SessionView; brief: Brief; name: string }) {
  const { session, brief, name } = props;
  const beside = useQuery({
    queryKey: ["comparison", session.session_id, session.revision, brief],
    queryFn: () =>
      body<Adjustment>(
        api.POST("/api/sessions/{session_id}/comparison", {
          params: { path: { session_id: session.session_id } },
          body: { brief },
        }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
  });
  return (
    <section aria-label="Comparison" className="mt-5">
      <Beside now={session.evaluation} other={beside} name={name} />
    </section>
  );
}

/** The other school, or the other way to begin. */
function nameOf(brief: Brief, session: SessionView, catalogue: Catalogue): string {
  const school = catalogue.schools[brief.school ?? ""];
  if (brief.school !== session.plan.flow.brief.school) return capital(school?.name ?? "");
  return capital(say.first(catalogue.positions[brief.first_position ?? ""]?.name ?? ""));
}
