import type { UseQueryResult } from "@tanstack/react-query";
import type { FlowsBeside } from "../api/client";
import { shared } from "../phrases/screens/shared";
import { ProblemNote } from "../ui/ProblemNote";
import { Waiting } from "../ui/Waiting";
import { Compare } from "./Compare";

/** Two flows over one another, once both are there; until then that it is worked on, or why there are none. */
export function FlowsCompared({ beside }: { beside: UseQueryResult<FlowsBeside> }) {
  return (
    <>
      {beside.error && <ProblemNote error={beside.error} onAgain={() => beside.refetch()} />}
      {beside.isPending && <Waiting what={shared.comparingThem} />}
      {beside.data && (
        <Compare
          first={beside.data.first}
          second={beside.data.second}
          names={beside.data.names as [string, string]}
          difference={beside.data.difference}
        />
      )}
    </>
  );
}
