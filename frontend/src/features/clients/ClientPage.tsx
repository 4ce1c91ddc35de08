import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "@tanstack/react-router";
import type { Catalogue, ClientPage as Client } from "../../api/client";
import { catalogueQuery, clientQuery, meQuery } from "../../api/queries";
import { dayAndTime } from "../../lib/time";
import { capital, depthWord, listed } from "../../lib/words";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { DescribeClient } from "./DescribeClient";
import { type Caution, cautionsOf, consentsOf, keptOff } from "./know";
import { WishesPlan } from "./WishesPlan";

/** A client, in the order of what must be known before touching. */
export function ClientPage() {
  const { clientId } = useParams({ from: "/in/framed/clients/$clientId" });
  const client = useQuery(clientQuery(clientId));
  const catalogue = useQuery(catalogueQuery);
  const error = client.error ?? catalogue.error;
  if (error) return <ProblemNote error={error} onAgain={() => client.refetch()} />;
  if (!client.data || !catalogue.data) return <Waiting what="Looking up the client" />;
  const { contact } = client.data;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h1 className="text-3xl">{contact.name}</h1>
        <p className="text-quiet">
          {[
            contact.address_as && `“${contact.address_as}”`,
            contact.phone,
            contact.email,
            `${contact.height_cm} cm`,
          ]
            .filter(Boolean)
            .join(" · ")}
          {contact.archived && " · put away"}
        </p>
      </div>
      <Before client={client.data} catalogue={catalogue.data} />
      <div className="mt-8 grid gap-10 lg:grid-cols-2">
        <Wishes client={client.data} catalogue={catalogue.data} />
        <Visits client={client.data} catalogue={catalogue.data} />
      </div>
      <DescribeClient key={client.data.revision} client={client.data} />
    </>
  );
}

const LEVELS: Record<Caution["level"], string> = {
  stop: "No session, refer",
  ask: "The clinician first",
  adapt: "Adapt",
};

/** Stop signs and cautions with their meaning, places to keep off, consents. */
function Before({ client, catalogue }: { client: Client; catalogue: Catalogue }) {
  const cautions = cautionsOf(client);
  const off = keptOff(client, catalogue);
  const consents = consentsOf(client, catalogue);
  const those = (answer: string) =>
    listed(consents.filter((one) => one.answer === answer).map((one) => one.asks.toLowerCase()));
  return (
    <section aria-label="Before touching" className="mt-4 rounded-box bg-base-200 px-6 py-5 text-lg">
      {client.contact.know_first && <p className="font-bold">{client.contact.know_first}</p>}
      <ul>
        {cautions.map(({ level, words, means }) => (
          <li key={words} className="py-1">
            <span className={level === "adapt" ? "font-bold" : "font-bold text-accent"}>
              <span aria-hidden="true">{level === "adapt" ? "○" : "△"} </span>
              {LEVELS[level]}: {words}.
            </span>{" "}
            {means}
          </li>
        ))}
        {off.map((place) => (
          <li key={place} className="py-1">
            <span className="font-bold text-accent">
              <span aria-hidden="true">△ </span>Keep off:
            </span>{" "}
            {place}
          </li>
        ))}
      </ul>
      {cautions.length + off.length === 0 && (
        <p>Nothing on record that restricts a session. Ask all the same.</p>
      )}
      <p className="mt-2">
        {those("no") && (
          <>
            <span className="font-bold">Said no to</span> {those("no")}.{" "}
          </>
        )}
        {those("yes") && <>Said yes to {those("yes")}. </>}
        {those("not asked") && <span className="text-quiet">Not asked: {those("not asked")}.</span>}
      </p>
    </section>
  );
}

function Wishes({ client, catalogue }: { client: Client; catalogue: Catalogue }) {
  const { wishes = [], likes = [], dislikes = [] } = client.facts;
  const named = (ids: readonly string[]) =>
    listed(ids.map((id) => catalogue.strokes[id]?.name ?? catalogue.tools[id]?.name ?? id));
  return (
    <section aria-label="Wishes">
      <h2 className="text-2xl">Wishes</h2>
      <WishesPlan client={client} catalogue={catalogue} />
      {wishes.length === 0 && <p>None on record: the depth is the brief’s.</p>}
      <ul className="mt-1">
        {wishes.map(({ region, depth }) => (
          <li key={region}>
            <span className="font-bold">{capital(catalogue.regions[region]?.whole ?? region)}</span>: depth{" "}
            {depth}, {depthWord[Math.floor(depth)]}
          </li>
        ))}
      </ul>
      {likes.length > 0 && <p className="mt-1">Likes {named(likes)}.</p>}
      {dislikes.length > 0 && <p>Does not like {named(dislikes)}.</p>}
    </section>
  );
}

function Visits({ client, catalogue }: { client: Client; catalogue: Catalogue }) {
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const last = client.visits.find((visit) => visit.log);
  return (
    <section aria-label="Visits">
      <h2 className="text-2xl">Visits</h2>
      {last?.log && (
        <p className="mt-1">
          {last.log.note}
          {last.log.next_time && (
            <>
              {" "}
              <span className="font-bold">Next time:</span> {last.log.next_time}
            </>
          )}
        </p>
      )}
      {client.visits.length === 0 && <p className="mt-1">None yet.</p>}
      <ul className="mt-2">
        {client.visits.map((visit) => (
          <li key={visit.session_id} className="border-t border-base-300">
            <Link
              to={visit.log ? "/session/$sessionId/log" : "/session/$sessionId/plan"}
              params={{ sessionId: visit.session_id }}
              className="block min-h-11 rounded-field px-2 py-2 hover:bg-base-200"
            >
              {capital(dayAndTime(visit.starts_at, timeZone, new Date()))}: {visit.brief.booked_minutes}{" "}
              minutes, {catalogue.kinds[visit.brief.kind ?? ""]?.name}
              {visit.log && <span className="text-quiet"> logged</span>}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
