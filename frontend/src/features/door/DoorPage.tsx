import { useMutation, useQuery } from "@tanstack/react-query";
import { Link, useSearch } from "@tanstack/react-router";
import { api } from "../../api/client";
import { doorQuery } from "../../api/practiceQueries";
import { say } from "../../phrases/screens/door";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { OverWater } from "./OverWater";
import { SignInForm } from "./SignInForm";
import { useEnter } from "./useEnter";

/** The door: sign in, look round the demo, or open a practice, as far as it offers them here. */
export function DoorPage() {
  const { to } = useSearch({ from: "/sign-in" });
  const offers = useQuery(doorQuery).data?.offers ?? [];
  const more = offers.includes("demo") || offers.includes("practices");
  return (
    <OverWater title={say.roomIsWarmComeIn} wide={more}>
      <div className={more ? "grid gap-x-12 md:grid-cols-2" : ""}>
        <SignInForm to={to} />
        {more && (
          <section aria-label={say.newHere} className="mt-8 grid content-start gap-6 md:mt-5">
            {offers.includes("practices") && (
              <div className="grid gap-2">
                <h2 className="text-xl">{say.practiceOfYourOwn}</h2>
                <p>{say.whatOpeningTakes}</p>
                <Link to="/open" className="btn min-h-12 text-base">
                  {say.openPractice}
                </Link>
              </div>
            )}
            {offers.includes("demo") && <LookRound />}
          </section>
        )}
      </div>
    </OverWater>
  );
}

function LookRound() {
  const enter = useEnter();
  const look = useMutation({ mutationFn: () => api.POST("/api/door/demo"), onSuccess: enter });
  return (
    <div className="grid gap-2">
      <h2 className="text-xl">{say.justLooking}</h2>
      <p>{say.demoIsShared}</p>
      <Button className="min-h-12 text-base" disabled={look.isPending} onClick={() => look.mutate()}>
        {look.isPending ? say.openingDemo : say.lookRoundDemo}
      </Button>
      {look.error && <ProblemNote error={look.error} />}
    </div>
  );
}
