import { useState } from "react";
import type { ConditionPlaces, SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { placesOf, tellPlaces } from "../../../meeting/places";
import { liesOnTheSide, unplacedOf } from "../../../meeting/unplaced";
import { WhereIsIt } from "../../../meeting/WhereIsIt";
import { say as meeting } from "../../../phrases/screens/meeting";
import { say } from "../../../phrases/screens/plan/changes";
import { Button } from "../../../ui/Button";
import type { PlanChanges } from "./usePlanChanges";

interface Props {
  session: SessionView;
  changes: PlanChanges;
  /** Everything has been told that the plan waited for. */
  onTold(): void;
}

/** Where is it? One tap answers, and the plan obeys it; the question stays until it is put away, for more places. */
export function PlacesNote({ session, changes, onTold }: Props) {
  const catalogue = useCatalogue();
  const [told, setTold] = useState<ConditionPlaces[]>([]);
  const unplaced = unplacedOf(session.evaluation.restrictions);
  const asked = [...new Set([...told.map(({ condition }) => condition), ...unplaced])];
  if (asked.length === 0) return null;
  async function tell(one: ConditionPlaces) {
    const left = unplaced.filter((id) => id !== one.condition);
    setTold(tellPlaces(told, one.condition, one.places));
    if (!(await changes.tellWhere(one))) setTold(told);
    else if (left.length === 0) onTold();
  }
  return (
    <section aria-label={say.askWhereFirst} className="mt-4 rounded-box bg-base-200 px-6 py-4">
      <h2 className="text-xl">{say.askWhereFirst}</h2>
      <div className={`mt-2 grid gap-6 ${asked.length > 1 ? "xl:grid-cols-2" : ""}`}>
        {asked.map((condition) => (
          <WhereIsIt
            key={condition}
            catalogue={catalogue}
            condition={catalogue.conditions[condition]?.name ?? condition}
            places={placesOf(told, condition)}
            nowhere={meeting.nowhereWeWork}
            onTheSide={liesOnTheSide(session.evaluation.restrictions)}
            busy={changes.changing}
            onTell={(places) => tell({ condition, places })}
          />
        ))}
      </div>
      {unplaced.length === 0 && (
        <Button className="mt-3 bg-base-300" onClick={() => setTold([])}>
          {say.askedAndDone}
        </Button>
      )}
    </section>
  );
}
