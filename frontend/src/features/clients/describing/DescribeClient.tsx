import { Controller, useForm } from "react-hook-form";
import type { ClientPage, ClientRecord } from "../../../api/client";
import { heightWords, weightWords } from "../../../phrases/measures";
import { say } from "../../../phrases/screens/clients/describing";
import { shared } from "../../../phrases/screens/shared";
import { Button } from "../../../ui/Button";
import { HEIGHTS, HeightInput, isHeight } from "../../../ui/form/HeightInput";
import { WeightInput } from "../../../ui/form/WeightInput";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Field } from "./Field";
import type { Describe } from "./useDescribe";

type Typed = Pick<
  ClientRecord,
  | "name"
  | "address_as"
  | "phone"
  | "email"
  | "emergency_contact"
  | "language"
  | "guardian"
  | "know_first"
  | "clothing"
  | "table_set_up"
  | "chair_set_up"
  | "note"
  | "body_hair"
  | "skin"
> & {
  height_cm: number | null;
  weight_kg: number | null;
  breaths_per_minute: string;
  birth_year: string;
};

const within = (least: number, most: number, needed: boolean) => (typed: string) =>
  (typed.trim() === "" && !needed) || (/^\d+$/.test(typed.trim()) && +typed >= least && +typed <= most);

/** The weights that are believed, in kilograms. */
const WEIGHTS = [25, 300] as const;

/** What is wrong with a measure outside its bounds, told as the practice measures. */
function outside([least, most]: readonly [number, number], told: (amount: number) => string): string {
  return say.betweenAnd(told(least), told(most));
}

/** How a client is called, reached and built, and what to know first. */
export function DescribeClient({ client, describe }: { client: ClientPage; describe: Describe }) {
  const { record } = client;
  const form = useForm<Typed>({
    defaultValues: {
      ...record,
      height_cm: record.height_cm,
      weight_kg: record.weight_kg ?? null,
      breaths_per_minute: `${record.breaths_per_minute}`,
      birth_year: `${record.birth_year ?? ""}`,
    },
  });
  const faults = form.formState.errors;
  const number = (typed: string) => (typed.trim() ? Number(typed) : null);
  const text = (name: keyof Typed, most: number, label: string, type = "text") => (
    <Field label={label}>
      <input className="input min-h-11 w-full" type={type} maxLength={most} {...form.register(name)} />
    </Field>
  );
  const digits = (name: keyof Typed, label: string, least: number, most: number, needed = false) => (
    <Field label={label} fault={faults[name] && say.betweenAnd(least, most)}>
      <input
        className="input min-h-11 w-full"
        inputMode="numeric"
        {...form.register(name, { validate: (typed) => within(least, most, needed)(String(typed)) })}
      />
    </Field>
  );
  return (
    <form
      aria-label={shared.nameAndContact}
      className="grid max-w-3xl gap-x-6 gap-y-3 sm:grid-cols-2"
      onSubmit={form.handleSubmit((typed) =>
        describe.mutate({
          ...typed,
          height_cm: typed.height_cm ?? record.height_cm,
          breaths_per_minute: Number(typed.breaths_per_minute),
          birth_year: number(typed.birth_year),
        }),
      )}
    >
      <Field label="Name" fault={faults.name && shared.giveName}>
        <input
          className="input min-h-11 w-full"
          maxLength={120}
          {...form.register("name", { validate: (name) => name.trim() !== "" })}
        />
      </Field>
      {text("address_as", 80, "Called")}
      {text("phone", 40, "Phone", "tel")}
      {text("email", 200, "E-mail", "email")}
      {text("emergency_contact", 200, shared.inEmergency)}
      {text("language", 80, "Language")}
      <Field label={shared.toKnowFirst} wide>
        <input className="input min-h-11 w-full" maxLength={400} {...form.register("know_first")} />
      </Field>
      <Controller
        name="height_cm"
        control={form.control}
        rules={{ validate: (cm) => cm !== null && isHeight(cm) }}
        render={({ field }) => (
          <Field label="Height" fault={faults.height_cm && outside(HEIGHTS, heightWords)}>
            <HeightInput cm={field.value} onCm={field.onChange} />
          </Field>
        )}
      />
      <Controller
        name="weight_kg"
        control={form.control}
        rules={{ validate: (kg) => kg === null || (kg >= WEIGHTS[0] && kg <= WEIGHTS[1]) }}
        render={({ field }) => (
          <Field label={say.weightIfKnown} fault={faults.weight_kg && outside(WEIGHTS, weightWords)}>
            <WeightInput kg={field.value} onKg={field.onChange} />
          </Field>
        )}
      />
      {digits("birth_year", say.yearOfBirthIfWanted, 1900, 2100)}
      {text("guardian", 200, say.guardianIfMinor)}
      {digits("breaths_per_minute", say.breathsAtRest, 4, 40, true)}
      <Field label="Skin">
        <select className="select min-h-11 w-full" {...form.register("skin")}>
          <option value="usual">usual</option>
          <option value="dry">{say.dryTakesMoreOil}</option>
        </select>
      </Field>
      <Field label="Body hair">
        <select className="select min-h-11 w-full" {...form.register("body_hair")}>
          <option value="usual">usual</option>
          <option value="much">{say.muchTakesMoreOil}</option>
        </select>
      </Field>
      <Field label={say.tableSetUp} wide>
        <input className="input min-h-11 w-full" maxLength={200} {...form.register("table_set_up")} />
      </Field>
      <Field label={say.chairSetUp} wide>
        <input className="input min-h-11 w-full" maxLength={200} {...form.register("chair_set_up")} />
      </Field>
      <Field label={say.clothingInChair} wide>
        <input className="input min-h-11 w-full" maxLength={200} {...form.register("clothing")} />
      </Field>
      <Field label="Note" wide>
        <textarea className="textarea w-full" rows={3} maxLength={4000} {...form.register("note")} />
      </Field>
      <Button look="main" type="submit" className="justify-self-start" disabled={describe.isPending}>
        {shared.save}
      </Button>
      {describe.error && <ProblemNote error={describe.error} />}
    </form>
  );
}
