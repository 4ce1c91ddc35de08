import { useForm } from "react-hook-form";
import type { ClientPage } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/clients/describing";
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
  const { conditions, due_date, medicines, allergies, operations, injuries } = client.record;
  const form = useForm({
    defaultValues: { conditions, due_date: due_date ?? "", medicines, allergies, operations, injuries },
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
      onSubmit={form.handleSubmit((told) => describe.mutate({ ...told, due_date: told.due_date || null }))}
    >
      {LEVELS.map(([level, heading]) => (
        <fieldset key={level}>
          <legend className="text-lg font-bold">{heading}</legend>
          <div className="mt-1 grid gap-x-6 sm:grid-cols-2 xl:grid-cols-3">
            {Object.values(catalogue.conditions)
              .filter((condition) => condition.level === level)
              .map(({ id, name, says }) => (
                <label key={id} className="flex min-h-11 items-start gap-3 py-2" title={says}>
                  <input type="checkbox" className="checkbox" value={id} {...form.register("conditions")} />
                  <span>{capital(name)}</span>
                </label>
              ))}
          </div>
        </fieldset>
      ))}
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
        {shared.keepItSo}
      </Button>
      {describe.error && <ProblemNote error={describe.error} />}
    </form>
  );
}
