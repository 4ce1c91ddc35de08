import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { api, type FirstSteps as Steps } from "../../api/client";
import { firstStepsQuery } from "../../api/practiceQueries";
import { meQuery } from "../../api/queries";
import { shared } from "../../phrases/screens/shared";
import { say } from "../../phrases/screens/today/page";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";

type Step = Steps["ahead"][number];

const STEPS: Record<
  Step,
  { title: string; what: string; acts: { to: string; hash?: string; words: string }[] }
> = {
  room: {
    title: say.yourRoom,
    what: say.whatRoomIsFor,
    acts: [{ to: "/practice", hash: "room", words: say.setUpRoom }],
  },
  hours: {
    title: shared.yourHours,
    what: say.whatHoursAreFor,
    acts: [{ to: "/practice", hash: "hours", words: say.setHours }],
  },
  house: {
    title: say.howYouWork,
    what: say.whatHouseIsFor,
    acts: [{ to: "/practice", words: say.seeHouseRules }],
  },
  client: {
    title: say.yourFirstClient,
    what: say.whatClientIsFor,
    acts: [
      { to: "/clients", words: say.addFirstClient },
      { to: "/clients/in", words: say.bringClientsIn },
    ],
  },
};

/** What a new practice has still to do, in any order; each is gone when it is done or skipped. */
export function FirstSteps() {
  const queries = useQueryClient();
  const steps = useQuery(firstStepsQuery).data?.ahead ?? [];
  const may = useQuery(meQuery).data?.may.includes("skip_first_step") ?? false;
  const skipping = useMutation({
    mutationFn: (step: Step) =>
      api.PUT("/api/house/first-steps/{step}/skipped", { params: { path: { step } } }),
    onSuccess: () => queries.invalidateQueries({ queryKey: firstStepsQuery.queryKey }),
  });
  if (steps.length === 0 || !may) return null;
  return (
    <section aria-label={say.firstSteps} className="mt-8">
      <h2 className="text-2xl">{say.firstSteps}</h2>
      <p className="mt-1 text-quiet">{say.inAnyOrder}</p>
      <ul className="mt-4 grid items-stretch gap-5 md:grid-cols-2">
        {steps.map((step) => (
          <li key={step} className="flex flex-col rounded-box bg-base-200 px-6 py-5">
            <h3 className="text-xl">{STEPS[step].title}</h3>
            <p className="mt-1 grow">{STEPS[step].what}</p>
            <div className="mt-4 flex flex-wrap gap-3">
              {STEPS[step].acts.map(({ to, hash, words }, n) => (
                <Link
                  key={to}
                  to={to}
                  {...(hash ? { hash } : {})}
                  className={n === 0 ? "btn btn-primary min-h-11" : "btn min-h-11 bg-base-300"}
                >
                  {words}
                </Link>
              ))}
              <Button
                look="quiet"
                className="ml-auto"
                aria-label={say.skip(STEPS[step].title)}
                disabled={skipping.isPending}
                onClick={() => skipping.mutate(step)}
              >
                Skip
              </Button>
            </div>
          </li>
        ))}
      </ul>
      {skipping.error && <ProblemNote error={skipping.error} />}
    </section>
  );
}
