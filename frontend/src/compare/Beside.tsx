import type { UseQueryResult } from "@tanstack/react-query";
import type { Adjustment, Evaluation } from "../api/client";
import { shared } from "../phrases/screens/shared";
import { ProblemNote } from "../ui/ProblemNote";
import { Waiting } from "../ui/Waiting";
import { Compare } from "./Compare";

interface Props {
  /** The plan as it stands. */
  now: Evaluation;
  /** The other one, once it has come. */
  other: UseQueryResult<Adjustment>;
  name: string;
}

/** Another plan over the one that stands. */
export function Beside({ now, other, name }: Props) {
  if (other.error) return <ProblemNote error={other.error} onAgain={() => other.refetch()} />;
  if (!other.data) return <Waiting what={shared.comparingThem} />;
  return (
    <Compare
      first={now}
      second={other.data.evaluation}
      names={["Now", name]}
      difference={other.data.difference}
    />
  );
}
