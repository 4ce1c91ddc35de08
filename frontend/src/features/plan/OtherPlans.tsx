import { useQuery } from "@tanstack/react-query";
import type { Brief, Catalogue, SessionView } from "../../api/client";
import { alternativesQuery } from "../../api/queries";
import { capital } from "../../lib/words";
import { SmallTide } from "../../tideline/SmallTide";
import { whatSetsApart } from "./apart";

interface Props {
  session: SessionView;
  catalogue: Catalogue;
  onTake(brief: Brief): void;
}

/** Other good answers to the same brief, as small tides; taking one is one action, and the brief leads back. */
export function OtherPlans({ session, catalogue, onTake }: Props) {
  const found = useQuery(alternativesQuery(session.session_id, session.revision));
  if (found.isPending) return <p className="mt-4 text-quiet italic">Looking for other ways …</p>;
  if (!found.data || found.data.others.length === 0) return null;
  const { present, others } = found.data;
  const wholeOf = (region: string) => catalogue.regions[region]?.whole ?? region;
  return (
    <section aria-label="Other ways" className="mt-6">
      <h2 className="text-2xl">Other ways to answer it</h2>
      <ul className="mt-2 grid gap-4 sm:grid-cols-2">
        {others.map(({ brief, sheet, traits }) => (
          <li key={`${brief.school} ${brief.first_position}`} className="min-w-0">
            <button
              type="button"
              onClick={() => onTake(brief)}
              className="h-full w-full rounded-box bg-base-200 px-5 py-4 text-left hover:bg-base-300"
            >
              <span className="block text-lg font-bold">{nameOf(brief, session, catalogue)}</span>
              <span className="my-2 block overflow-hidden">
                <SmallTide sheet={sheet} width={280} height={64} />
              </span>
              <span className="block">{whatSetsApart(traits, present, wholeOf)}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The other school, or the other way to begin. */
function nameOf(brief: Brief, session: SessionView, catalogue: Catalogue): string {
  const school = catalogue.schools[brief.school ?? ""];
  if (brief.school !== session.plan.flow.brief.school) return capital(school?.name ?? "");
  return capital(`${catalogue.positions[brief.first_position ?? ""]?.name ?? ""} first`);
}
