import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "@tanstack/react-router";
import type { ClientPage, Learnt } from "../../api/client";
import { catalogueQuery, clientQuery, learntQuery, sessionQuery } from "../../api/queries";
import { useCatalogue } from "../../api/useCatalogue";
import { OwnPace } from "../../compare/OwnPace";
import { BodyPlan } from "../../meeting/BodyPlan";
import { says } from "../../phrases/learning";
import { say } from "../../phrases/screens/learn";
import { capital } from "../../phrases/words";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { Draft } from "./Draft";
import { certainty, shades } from "./drawn";
import { PointSteps } from "./PointSteps";
import { SetWish } from "./SetWish";
import { VisitsTaught } from "./VisitsTaught";
import { WishScale } from "./WishScale";

/** What stays of all visits: the depth that suits, how sure we are, and where the next plan starts. */
export function LearnPage() {
  const { sessionId } = useParams({ from: "/in/framed/session/$sessionId/learn" });
  const session = useQuery(sessionQuery(sessionId));
  const clientId = session.data?.client.client_id;
  const learnt = useQuery({ ...learntQuery(clientId ?? ""), enabled: clientId !== undefined });
  const client = useQuery({ ...clientQuery(clientId ?? ""), enabled: clientId !== undefined });
  const catalogue = useQuery(catalogueQuery);
  const error = session.error ?? learnt.error ?? client.error ?? catalogue.error;
  if (error) return <ProblemNote error={error} onAgain={() => learnt.refetch()} />;
  if (!learnt.data || !client.data || !catalogue.data)
    return <Waiting what={say.readingWhatWasLearnt} shape="columns" />;
  return <Taught learnt={learnt.data} client={client.data} />;
}

function Taught(props: { learnt: Learnt; client: ClientPage }) {
  const catalogue = useCatalogue();
  const { learnt, client } = props;
  const { starts } = learnt;
  const said = learnt.visits.some(({ answers }) => answers.length > 0);
  return (
    <div className="grid grid-cols-1 gap-8 lg:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)] desk:grid-cols-[minmax(0,1.5fr)_repeat(2,minmax(0,1fr))]">
      <div className="grid content-start gap-6 lg:row-span-2 desk:row-span-1">
        <Draft clientId={learnt.client_id} />
        <section aria-label={say.wishesByRegion}>
          <h2 className="text-2xl">{say.depthThatSuitsByRegion}</h2>
          <p className="mt-1 text-quiet">
            {said
              ? say.fromVisits(learnt.visits.filter(({ counts }) => counts).length, learnt.visit)
              : say.nothingSaidYet}
          </p>
          {starts.length > 0 && (
            <table className="mt-3 w-full">
              <thead className="text-left text-quiet">
                <tr>
                  <th className="font-normal">Region</th>
                  <th className="w-2/5 font-normal">{say.lightToDeep}</th>
                  <th className="font-normal">Next time</th>
                </tr>
              </thead>
              <tbody>
                {starts.map((start) => (
                  <tr key={start.region} className="border-t border-base-300 align-middle">
                    <th scope="row" className="py-1 pr-3 text-left">
                      {capital(catalogue.regions[start.region]?.whole ?? start.region)}
                    </th>
                    <td className="pr-4">
                      <WishScale start={start} />
                    </td>
                    <td>{says(start)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <SetWish clientId={learnt.client_id} starts={starts} />
        </section>
      </div>
      <div className="grid content-start gap-6">
        <section aria-label={say.onTable}>
          <BodyPlan
            catalogue={catalogue}
            excluded={client.restrictions.excluded ?? []}
            barred={(client.restrictions.regions ?? []).map(({ id }) => id)}
            pregnant={client.facts.gestation_days != null}
            onTheSide={client.restrictions.positions?.some(({ id }) => id === "prone") ?? false}
            shaded={shades(starts)}
            edged={certainty(starts)}
          />
          <p className="mt-1 text-quiet">{say.howToReadTheBody}</p>
        </section>
        <OwnPace />
      </div>
      <div className="grid content-start gap-6">
        <VisitsTaught learnt={learnt} />
        <PointSteps visits={learnt.sore} />
        <p>
          {starts.length > 0 && say.nextPlanStartsThere(client.record.name)}
          <Link to="/clients/$clientId" params={{ clientId: learnt.client_id }} className="underline">
            {say.allThatIsKnown}
          </Link>
        </p>
      </div>
    </div>
  );
}
