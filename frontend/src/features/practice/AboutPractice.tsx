import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { api, type Me } from "../../api/client";
import { doorQuery } from "../../api/practiceQueries";
import { say } from "../../phrases/screens/practice";
import { shared } from "../../phrases/screens/shared";
import { Button } from "../../ui/Button";
import { Entry } from "../../ui/form/Entry";
import { faultOf, isToldAtFields } from "../../ui/form/faults";
import { WhereaboutsChoice } from "../../ui/form/WhereaboutsChoice";
import { ProblemNote } from "../../ui/ProblemNote";
import { Section } from "../../ui/Section";

interface Told {
  name: string;
  time_zone: string;
  country: string;
}

/** What the practice is called, and where it is. */
export function AboutPractice({ me }: { me: Me }) {
  const queries = useQueryClient();
  const countries = useQuery(doorQuery).data?.countries ?? [];
  const form = useForm<Told>({
    values: { name: me.practice, time_zone: me.time_zone, country: countries.length ? me.country : "" },
  });
  const changing = useMutation({
    mutationFn: (told: Told) => api.PUT("/api/practice", { body: told }),
    // Days and times are told anew everywhere.
    onSuccess: () => queries.invalidateQueries(),
  });
  if (!me.may.includes("change_practice")) return null;
  const { errors, isDirty } = form.formState;
  return (
    <Section narrow title={say.thePractice}>
      <form noValidate onSubmit={form.handleSubmit((told) => changing.mutate(told))}>
        <Entry label="Name" fault={(errors.name && shared.namePractice) || faultOf(changing.error, "name")}>
          <input
            className="input h-12 w-full text-base"
            maxLength={120}
            {...form.register("name", { validate: (name) => name.trim() !== "" })}
          />
        </Entry>
        <WhereaboutsChoice
          chosenZone={me.time_zone}
          countries={countries}
          zone={form.register("time_zone")}
          country={form.register("country")}
        />
        {changing.error && !isToldAtFields(changing.error) && <ProblemNote error={changing.error} />}
        <Button look="main" type="submit" className="mt-5" disabled={!isDirty || changing.isPending}>
          Save
        </Button>
      </form>
    </Section>
  );
}
