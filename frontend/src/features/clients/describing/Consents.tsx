import { useQuery } from "@tanstack/react-query";
import type { ClientPage } from "../../../api/client";
import { meQuery } from "../../../api/queries";
import { useCatalogue } from "../../../api/useCatalogue";
import { answerOf, type ConsentWords } from "../../../meeting/know";
import { howKnown } from "../../../phrases/known";
import { say } from "../../../phrases/screens/clients/describing";
import { shared } from "../../../phrases/screens/shared";
import { shortDay } from "../../../phrases/time";
import { capital } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import type { Describe } from "./useDescribe";

const YES_OR_NO = [
  ["yes", "Yes"],
  ["no", "No"],
  ["not asked", "Not asked"],
] as const;

const WITH_THE_SHEET = [
  ["yes", "Uncovered"],
  ["through_cloth", shared.onlyThroughSheet],
  ["no", shared.notAtAll],
  ["not asked", "Not asked"],
] as const;

const CHOSEN = {
  yes: "btn-primary",
  through_cloth: "btn-primary",
  no: "btn-accent",
  "not asked": "bg-base-300",
};

/** What may be touched: each answer with its date; given or taken back in one tap. */
export function Consents(props: { client: ClientPage; describe: Describe }) {
  const catalogue = useCatalogue();
  const { client, describe } = props;
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const { consents, through_cloth, declined } = client.record;
  function answer(id: string, said: ConsentWords["answer"]) {
    const among = (ids: readonly string[], here: boolean) => [
      ...ids.filter((one) => one !== id),
      ...(here ? [id] : []),
    ];
    describe.mutate({
      consents: among(consents, said === "yes"),
      through_cloth: among(through_cloth, said === "through_cloth"),
      declined: among(declined, said === "no"),
    });
  }
  return (
    <section aria-label={say.yesAndNo}>
      <h2 className="text-2xl">{say.yesAndNo}</h2>
      <ul className="mt-1">
        {Object.values(catalogue.consents).map((consent) => {
          const { id, name, asks } = consent;
          const said = answerOf(client.record, id);
          const since = client.since[`consents ${id}`];
          return (
            <li
              key={id}
              className="flex flex-wrap items-center justify-between gap-x-3 border-t border-base-300"
            >
              <p title={asks}>
                <span className="font-bold">{capital(name)}</span>{" "}
                <span className="text-[0.95rem] text-quiet" title={since && howKnown(since)}>
                  {since ? shortDay(since.at, timeZone, new Date()) : "never asked"}
                </span>
              </p>
              <fieldset aria-label={say.mayItBeTouched(capital(name))} className="flex flex-wrap">
                {(consent.through_cloth ? WITH_THE_SHEET : YES_OR_NO).map(([value, words]) => (
                  <Button
                    key={value}
                    className={`min-w-11 px-2.5 ${said === value ? CHOSEN[value] : "btn-ghost"}`}
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
