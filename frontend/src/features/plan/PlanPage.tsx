import { useQuery } from "@tanstack/react-query";
import { useParams, useSearch } from "@tanstack/react-router";
import { catalogueQuery, sessionQuery } from "../../api/queries";
import { shared } from "../../phrases/screens/shared";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { Designer } from "./Designer";

export function PlanPage() {
  const { sessionId } = useParams({ from: "/in/framed/session/$sessionId/plan" });
  const { from } = useSearch({ from: "/in/framed/session/$sessionId/plan" });
  const session = useQuery(sessionQuery(sessionId));
  const catalogue = useQuery(catalogueQuery);
  if (catalogue.error) return <ProblemNote error={catalogue.error} onAgain={() => catalogue.refetch()} />;
  if (!session.data || !catalogue.data) return <Waiting what={shared.layingOutSession} shape="tide" />;
  return <Designer session={session.data} from={from ?? null} />;
}
