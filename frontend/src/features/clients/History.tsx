import { useQuery } from "@tanstack/react-query";
import { historyQuery, meQuery } from "../../api/queries";
import { useCatalogue } from "../../api/useCatalogue";
import { howKnown, whatChanged } from "../../phrases/known";
import { say } from "../../phrases/screens/clients/page";
import { dayAndTime } from "../../phrases/time";
import { capital } from "../../phrases/words";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";

/** Everything that became known, the newest first: what, when, how, and who wrote it down. */
export function History({ clientId }: { clientId: string }) {
  const catalogue = useCatalogue();
  const history = useQuery(historyQuery(clientId));
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  if (history.error) return <ProblemNote error={history.error} onAgain={() => history.refetch()} />;
  if (!history.data) return <Waiting what={say.lookingItUp} />;
  if (history.data.length === 0) return <p>{say.nothingHasBeenToldYet}</p>;
  return (
    <table className="w-full text-left">
      <thead className="text-quiet">
        <tr>
          <th className="py-1 pr-3 font-normal sm:pr-6">When</th>
          <th className="py-1 pr-3 font-normal sm:pr-6">What</th>
          <th className="py-1 font-normal max-sm:hidden">How</th>
        </tr>
      </thead>
      <tbody>
        {history.data.map((known) => (
          <tr
            key={`${known.at}${known.change.field}${known.change.item}`}
            className="border-t border-base-300 align-top"
          >
            <td className="py-1.5 pr-3 sm:pr-6 sm:whitespace-nowrap">
              {capital(dayAndTime(known.at, timeZone, new Date()))}
            </td>
            <td className="py-1.5 pr-3 sm:pr-6">{whatChanged(known, catalogue)}</td>
            <td className="py-1.5 text-quiet max-sm:hidden">{howKnown(known)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
