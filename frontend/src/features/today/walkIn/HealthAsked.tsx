import { useCatalogue } from "../../../api/useCatalogue";
import { WhereAreThey } from "../../../meeting/WhereAreThey";
import { say } from "../../../phrases/screens/today/walkIn";
import { capital } from "../../../phrases/words";
import { NumberEntry } from "../../../ui/form/NumberEntry";
import { Tick } from "../../../ui/Tick";
import { type AnswersPart, ticked } from "./useAnswers";

/** The stop signs and what else a session must know, to tick; and where it is, of what is somewhere. */
export function HealthAsked({ asked, answers, onChange }: AnswersPart & { asked: readonly string[] }) {
  const catalogue = useCatalogue();
  const { conditions, places, weeks } = answers;
  return (
    <>
      <fieldset className="mt-4 grid gap-x-8 md:grid-cols-2 xl:grid-cols-3">
        <legend className="font-serif text-2xl">{say.anyOfThis}</legend>
        <p className="text-quiet md:col-span-2 xl:col-span-3">{say.askAloud}</p>
        {asked.map((id) => (
          <Tick
            key={id}
            checked={conditions.includes(id)}
            words={capital(catalogue.conditions[id]?.name ?? id)}
            onTick={(on) => onChange({ conditions: ticked(conditions, id, on) })}
          />
        ))}
        <span className="flex flex-wrap items-center gap-x-4">
          <Tick
            checked={weeks !== null}
            words={say.expecting}
            onTick={(on) => onChange({ weeks: on ? "20" : null })}
          />
          {weeks !== null && (
            <NumberEntry
              label={say.weeks}
              value={weeks}
              least={0}
              most={44}
              onType={(typed) => onChange({ weeks: typed })}
            />
          )}
        </span>
      </fieldset>
      <WhereAreThey
        catalogue={catalogue}
        conditions={conditions.filter((id) => catalogue.conditions[id]?.needs_place)}
        told={places}
        onTell={(told) => onChange({ places: told })}
      />
    </>
  );
}
