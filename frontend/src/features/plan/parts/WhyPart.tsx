import { useQuery } from "@tanstack/react-query";
import type { SessionView } from "../../../api/client";
import { reasonsQuery } from "../../../api/queries";
import { useCatalogue } from "../../../api/useCatalogue";
import { itsWeight, whyItsMinutes } from "../../../phrases/plan/reasons";
import { say } from "../../../phrases/screens/plan/parts";

/** Why the region of an opened part has its minutes. */
export function WhyPart(props: { session: SessionView; region: string }) {
  const catalogue = useCatalogue();
  const { session, region } = props;
  const found = useQuery(reasonsQuery(session.session_id, session.revision));
  const reason = found.data?.regions.find((one) => one.region === region);
  if (!reason) return null;
  return (
    <p className="my-2 max-w-[60ch] pl-14 pr-1 text-quiet">
      <span className="font-bold">{say.whySoLong} </span>
      {whyItsMinutes(reason, (id) => catalogue.regions[id]?.whole ?? id)} {itsWeight(reason)}
    </p>
  );
}
