import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { HouseEffect } from "../../../api/client";
import { houseEffectQuery } from "../../../api/practiceQueries";
import { say } from "../../../phrases/screens/practice";
import { listed } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { Touched } from "./Touched";

/** What a change would do to flows and to plans that stand, and the way to look at them. */
export function Effect({ item, after }: { item: string; after: string | null }) {
  const effect = useQuery(houseEffectQuery(item, after));
  const [looking, setLooking] = useState(false);
  const touched = effect.data ? effect.data.flows.length + effect.data.plans.length : 0;
  return (
    <span className="ml-[2.25rem] flex flex-wrap items-center gap-x-2 text-[0.95rem] text-quiet">
      <span role="status">
        {effect.isPending ? say.lookingAtFlows : effect.data ? inWords(effect.data) : ""}
      </span>
      {effect.data && touched > 0 && (
        <Button
          look="quiet"
          className="-my-1 ml-auto px-2 font-normal underline underline-offset-4"
          onClick={() => setLooking(true)}
        >
          Compare
        </Button>
      )}
      {effect.data && looking && (
        <Touched item={item} after={after} effect={effect.data} onClose={() => setLooking(false)} />
      )}
    </span>
  );
}

function inWords({ flows, of_flows, plans, of_plans }: HouseEffect): string {
  const named = [...flows.map((one) => one.name), ...plans.map((one) => one.client_name)];
  const counts = say.changes(flows.length, of_flows, plans.length, of_plans);
  return named.length > 0 && named.length <= 4 ? `${counts} ${listed(named)}.` : counts;
}
