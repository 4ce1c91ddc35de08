import { useQuery } from "@tanstack/react-query";
import type { ClientPage } from "../../../api/client";
import { meQuery } from "../../../api/queries";
import { useCatalogue } from "../../../api/useCatalogue";
import { howKnown } from "../../../phrases/known";
import { say } from "../../../phrases/screens/clients/describing";
import { shortDay } from "../../../phrases/time";
import { capital } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import type { Describe } from "./useDescribe";

const ANSWERS = [
  ["yes", "Yes"],
  ["no", "No"],
  ["", "Not asked"],
] as const;

const CHOSEN = { yes: "btn-primary", no: "btn-accent", "": "bg-base-300" };

/** What may be touched: each answer with its date; given or taken back in one tap. */
export function Consents(props: { client: ClientPage; describe: Describe }) {
  const catalogue = useCatalogue();
  const { client, describe } = props;
  const { consents, declined } = client.record;
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  function answer(id: string, said: string) {
    const others = (ids: readonly string[]) => ids.filter((one) => one !== id);
    describe.mutate({
      consents: said === "yes" ? [...others(consents), id] : others(consents),
      declined: said === "no" ? [...others(declined), id] : others(declined),
    });
  }
  return (
    <section aria-label={say.yesAndNo}>
      <h2 className="text-2xl">{say.yesAndNo}</h2>
      <ul className="mt-1">
        {Object.values(catalogue.consents).map(({ id, name, asks }) => {
          const said = consents.includes(id) ? "yes" : declined.includes(id) ? "no" : "";
          const since = client.since[`consents ${id}`];
          return (
            <li
              key={id}
              className="grid items-center gap-x-4 border-t border-base-300 py-2 sm:grid-cols-[1fr_auto]"
            >
              <div>
                <p className="font-bold" title={asks}>
                  {capital(name)}
                </p>
                <p className="text-quiet">
                  {since ? `${shortDay(since.at, timeZone, new Date())}, ${howKnown(since)}` : "never asked"}
                </p>
              </div>
              <fieldset aria-label={say.mayItBeTouched(capital(name))} className="flex gap-1">
                {ANSWERS.map(([value, words]) => (
                  <Button
                    key={value}
                    className={`${said === value ? CHOSEN[value] : "btn-ghost"}`}
                    aria-pressed={said === value}
                    onClick={() => said !== value && answer(id, value)}
                  >
                    {words}
                  </Button>
                ))}
              </fieldset>
            </li>
          );
        })}
      </ul>
      {describe.error && <ProblemNote error={describe.error} />}
    </section>
  );
}
