import { useState } from "react";
import { useForm } from "react-hook-form";
import type { ClientPage, ConditionPlaces, Place } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { ConditionChoice } from "../../../meeting/ConditionChoice";
import { placesOf, tellPlaces } from "../../../meeting/places";
import { liesOnTheSide } from "../../../meeting/unplaced";
import { WhereIsIt } from "../../../meeting/WhereIsIt";
import { say } from "../../../phrases/screens/clients/describing";
import { say as meeting } from "../../../phrases/screens/meeting";
import { shared } from "../../../phrases/screens/shared";
import { capital } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Field } from "./Field";
import type { Describe } from "./useDescribe";

const LEVELS = [
  ["refer", say.noSessionRefer],
  ["ask", shared.clinicianFirst],
  ["adapt", "Adapt"],
] as const;

/** Health as it is on record: conditions with what each means, a pregnancy's due date, and what else was told. */
export function DescribeHealth(props: { client: ClientPage; describe: Describe }) {
  const catalogue = useCatalogue();
  const { client, describe } = props;
  const { due_date, medicines, allergies, operations, injuries } = client.record;
  const [chosen, choose] = useState<readonly string[]>(client.record.conditions);
  const [told, tell] = useState<readonly ConditionPlaces[]>(client.record.condition_places ?? []);
  const form = useForm({
    defaultValues: { due_date: due_date ?? "", medicines, allergies, operations, injuries },
  });
  const words = (name: "medicines" | "allergies" | "operations" | "injuries", label: string) => (
    <Field label={label}>
      <textarea className="textarea w-full" rows={2} maxLength={1000} {...form.register(name)} />
    </Field>
  );
  return (
    <form
      aria-label="Health"
      className="grid gap-4"
      onSubmit={form.handleSubmit((typed) =>
        describe.mutate({
          ...typed,
          due_date: typed.due_date || null,
          conditions: [...chosen],
          condition_places: [...told],
        }),
      )}
    >
      <div className="grid gap-1">
        {LEVELS.map(([level, heading]) => {
          const here = chosen.filter((id) => catalogue.conditions[id]?.level === level);
          if (here.length === 0) return null;
          return (
            <section key={level} aria-label={heading}>
              <h3 className="text-lg font-bold">{heading}</h3>
              <ul>
                {here.map((id) => (
                  <Told
                    key={id}
                    condition={id}
                    client={client}
                    places={placesOf(told, id)}
                    onTell={(places) => tell(tellPlaces(told, id, places))}
                    onRemove={() => choose(chosen.filter((one) => one !== id))}
                  />
                ))}
              </ul>
            </section>
          );
        })}
      </div>
      <ConditionChoice label={say.addCondition} chosen={chosen} onChoose={(id) => choose([...chosen, id])} />
      <div className="grid max-w-3xl gap-x-6 gap-y-3 sm:grid-cols-2">
        <Field label={say.dueDateOfPregnancy}>
          <input className="input min-h-11 w-full" type="date" {...form.register("due_date")} />
        </Field>
        <span className="hidden sm:block" />
        {words("medicines", "Medicines")}
        {words("allergies", "Allergies")}
        {words("operations", "Operations")}
        {words("injuries", "Injuries")}
      </div>
      <p className="max-w-[70ch] text-quiet">{say.whatTickingDoes}</p>
      <Button look="main" type="submit" className="justify-self-start" disabled={describe.isPending}>
        {shared.save}
      </Button>
      {describe.error && <ProblemNote error={describe.error} />}
    </form>
  );
}

interface ToldProps {
  condition: string;
  client: ClientPage;
  places: readonly Place[] | null;
  onTell(places: Place[]): void;
  onRemove(): void;
}

/** A condition on record: what it means, where it is if it is somewhere, and the way to take it off. */
function Told({ condition, client, places, onTell, onRemove }: ToldProps) {
  const catalogue = useCatalogue();
  const known = catalogue.conditions[condition];
  const name = known?.name ?? condition;
  return (
    <li className="border-t border-base-300 py-2">
      <div className="flex flex-wrap items-start justify-between gap-x-4">
        <p className="max-w-[70ch]">
          <span className="font-bold">{capital(name)}.</span> {known?.says}
        </p>
        <Button look="quiet" aria-label={shared.remove(name)} onClick={onRemove}>
          Remove
        </Button>
      </div>
      {known?.needs_place && (
        <WhereIsIt
          catalogue={catalogue}
          condition={name}
          under
          places={places}
          nowhere={meeting.nowhereWeWork}
          onTheSide={liesOnTheSide(client.restrictions)}
          onTell={onTell}
        />
      )}
    </li>
  );
}
