import { useQuery } from "@tanstack/react-query";
import { numbersQuery } from "../../api/practiceQueries";
import { catalogueQuery } from "../../api/queries";
import { say } from "../../phrases/screens/learn/numbers";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { DepthMet } from "./DepthMet";
import { HandsByWeek } from "./HandsByWeek";
import { MinutesByRegion } from "./MinutesByRegion";
import { monthName } from "./monthName";

/** What the sessions of the last months add up to, in three pictures with a sentence each. */
export function NumbersPage() {
  const numbers = useQuery(numbersQuery);
  const catalogue = useQuery(catalogueQuery);
  const error = numbers.error ?? catalogue.error;
  if (error) return <ProblemNote error={error} onAgain={() => numbers.refetch()} />;
  if (!numbers.data || !catalogue.data) return <Waiting what={say.addingUp} shape="columns" />;
  const { months, sessions } = numbers.data;
  const [first, last] = [months[0] ?? "", months.at(-1) ?? ""];
  return (
    <>
      <h1 className="mt-2 text-4xl">{say.title}</h1>
      <p className="text-lg text-quiet">{say.fromTo(monthName(first), monthName(last), sessions)}</p>
      {sessions === 0 ? (
        <p className="mt-4">{say.none}</p>
      ) : (
        <div className="mt-4 grid grid-cols-1 gap-x-14 gap-y-8 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
          <MinutesByRegion numbers={numbers.data} />
          <div className="grid content-start gap-8">
            <DepthMet depth={numbers.data.depth} />
            <HandsByWeek hands={numbers.data.hands} />
          </div>
        </div>
      )}
    </>
  );
}
