import { useMutation, useQuery } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { useForm } from "react-hook-form";
import { api } from "../../api/client";
import { doorQuery } from "../../api/practiceQueries";
import { say } from "../../phrases/screens/door";
import { shared } from "../../phrases/screens/shared";
import { Button } from "../../ui/Button";
import { Entry } from "../../ui/form/Entry";
import { faultOf, isToldAtFields } from "../../ui/form/faults";
import { WhereaboutsChoice } from "../../ui/form/WhereaboutsChoice";
import { ProblemNote } from "../../ui/ProblemNote";
import { Newcomer } from "./Newcomer";
import { OverWater } from "./OverWater";
import { useEnter } from "./useEnter";
import { guessCountry, guessTimeZone } from "./whereabouts";

interface Wanted {
  practice: string;
  name: string;
  email: string;
  password: string;
  time_zone: string;
  country: string;
}

/** Open a practice: what it is called, whose it is, and where. */
export function OpenPage() {
  const door = useQuery(doorQuery);
  return (
    <OverWater title={say.openPractice} wide>
      {door.error && <ProblemNote error={door.error} onAgain={() => door.refetch()} />}
      {door.data?.offers.includes("practices") === false && <p className="mt-4">{say.notOpenedHere}</p>}
      {door.data?.offers.includes("practices") && <OpenForm countries={door.data.countries} />}
      <p className="mt-5">
        <Link to="/sign-in" className="link inline-flex min-h-11 items-center">
          {say.haveAnAccount}
        </Link>
      </p>
    </OverWater>
  );
}

function OpenForm({ countries }: { countries: readonly string[] }) {
  const chosenZone = guessTimeZone();
  const form = useForm<Wanted>({
    defaultValues: { time_zone: chosenZone, country: guessCountry(countries) },
  });
  const enter = useEnter();
  const opening = useMutation({
    mutationFn: (wanted: Wanted) => api.POST("/api/door/practices", { body: wanted }),
    onSuccess: enter,
  });
  const { errors } = form.formState;
  return (
    <form noValidate onSubmit={form.handleSubmit((wanted) => opening.mutate(wanted))}>
      <div className="grid gap-x-12 md:grid-cols-2">
        <div>
          <Entry
            label={say.nameOfPractice}
            hint={say.howClientsKnowIt}
            fault={(errors.practice && shared.namePractice) || faultOf(opening.error, "practice")}
          >
            <input
              className="input h-12 w-full text-base"
              autoComplete="organization"
              maxLength={120}
              aria-invalid={Boolean(errors.practice)}
              {...form.register("practice", { validate: (name) => name.trim() !== "" })}
            />
          </Entry>
          <WhereaboutsChoice
            chosenZone={chosenZone}
            countries={countries}
            zone={form.register("time_zone")}
            country={form.register("country")}
          />
        </div>
        <div>
          <Newcomer register={form.register} errors={errors} refused={opening.error} />
        </div>
      </div>
      {opening.error && !isToldAtFields(opening.error) && <ProblemNote error={opening.error} />}
      <Button look="main" type="submit" className="mt-6 h-12 px-10 text-base" disabled={opening.isPending}>
        {opening.isPending ? say.openingPractice : say.createPractice}
      </Button>
    </form>
  );
}
