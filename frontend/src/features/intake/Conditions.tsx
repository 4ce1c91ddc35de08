import { Fragment } from "react";
import { placesOf, tellPlaces } from "../../meeting/places";
import { WhereIsIt } from "../../meeting/WhereIsIt";
import { say } from "../../phrases/screens/intake";
import { Tick } from "../../ui/Tick";
import type { AskedProps } from "./question";

/** What applies of a list; "none of these" is an answer of its own. */
export function Conditions({ question, form, answers, onAnswer }: AskedProps) {
  const heading = question.heading ?? "usual";
  const ticked = answers.conditions[heading];
  const answer = (ids: string[] | undefined) => {
    const { [heading]: _, ...others } = answers.conditions;
    onAnswer({ conditions: ids === undefined ? others : { ...others, [heading]: ids } });
  };
  return (
    <div className="mt-2 grid gap-1.5">
      {Object.values(form.conditions)
        .filter(({ asked }) => asked === heading)
        .map(({ id, asks, needs_place }) => (
          <Fragment key={id}>
            <Tick
              soft
              words={asks}
              checked={ticked?.includes(id) ?? false}
              onTick={(on) =>
                answer(on ? [...(ticked ?? []), id] : (ticked ?? []).filter((one) => one !== id))
              }
            />
            {needs_place && ticked?.includes(id) && (
              <div className="py-3 pl-4">
                <WhereIsIt
                  catalogue={form}
                  condition={asks}
                  under
                  places={placesOf(answers.condition_places, id)}
                  nowhere={say.nowhereYouWork}
                  words={[say.seenFromBehind, say.seenFromFront]}
                  onTell={(places) =>
                    onAnswer({ condition_places: tellPlaces(answers.condition_places, id, places) })
                  }
                />
              </div>
            )}
          </Fragment>
        ))}
      <Tick
        soft
        words={say.noneOfThese}
        checked={ticked !== undefined && ticked.length === 0}
        onTick={(on) => answer(on ? [] : undefined)}
      />
    </div>
  );
}
