import type { Catalogue, ConditionPlaces } from "../api/client";
import { say } from "../phrases/screens/meeting";
import { placesOf, tellPlaces } from "./places";
import { WhereIsIt } from "./WhereIsIt";

interface Props {
  catalogue: Catalogue;
  /** The conditions whose place is asked. */
  conditions: readonly string[];
  told: readonly ConditionPlaces[];
  onTheSide?: boolean;
  onTell(told: ConditionPlaces[]): void;
}

/** "Where is it?", of each condition that is somewhere. */
export function WhereAreThey({ catalogue, conditions, told, onTheSide, onTell }: Props) {
  return conditions.map((id) => (
    <WhereIsIt
      key={id}
      catalogue={catalogue}
      condition={catalogue.conditions[id]?.name ?? id}
      places={placesOf(told, id)}
      nowhere={say.nowhereWeWork}
      onTheSide={onTheSide ?? false}
      onTell={(places) => onTell(tellPlaces(told, id, places))}
    />
  ));
}
