import { useQuery } from "@tanstack/react-query";
import { useParams } from "@tanstack/react-router";
import { catalogueQuery, clientQuery } from "../../api/queries";
import { heightWords } from "../../phrases/measures";
import { say } from "../../phrases/screens/clients/page";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { BookAgain } from "./BookAgain";
import { Knowing } from "./Knowing";

/** A client, in the order of what must be known before touching. */
export function ClientPage() {
  const { clientId } = useParams({ from: "/in/framed/clients/$clientId" });
  const client = useQuery(clientQuery(clientId));
  const catalogue = useQuery(catalogueQuery);
  const error = client.error ?? catalogue.error;
  if (error) return <ProblemNote error={error} onAgain={() => client.refetch()} />;
  if (!client.data || !catalogue.data) return <Waiting what={say.lookingUpClient} shape="columns" />;
  const { record, pregnancy } = client.data;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h1 className="text-3xl">{record.name}</h1>
        <p className="text-quiet">
          {[
            record.address_as && `“${record.address_as}”`,
            pregnancy && say.pregnantToday(pregnancy),
            record.phone,
            record.email,
            // A height that nobody told is the usual one, and no knowledge of this client.
            client.data.since.height_cm && heightWords(record.height_cm),
            record.language,
          ]
            .filter(Boolean)
            .join(" · ")}
          {record.archived && " · archived"}
        </p>
        {!record.archived && <BookAgain client={client.data} />}
      </div>
      <Knowing client={client.data} />
    </>
  );
}
