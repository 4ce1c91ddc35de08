import { useCatalogue } from "../../../api/useCatalogue";
import { PlaceChoice } from "../../../meeting/PlaceChoice";
import { placeKey, togglePlace } from "../../../meeting/places";
import { shared } from "../../../phrases/screens/shared";
import { say } from "../../../phrases/screens/today/walkIn";
import { capital, placeName } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { Tick } from "../../../ui/Tick";
import { type AnswersPart, ticked } from "./useAnswers";

/** What may be touched, where not, and a name if one is said. */
export function TouchAsked({ asked, answers, onChange }: AnswersPart & { asked: readonly string[] }) {
  const catalogue = useCatalogue();
  const { consents, excluded, name } = answers;
  return (
    <div className="mt-4 grid gap-x-8 gap-y-4 lg:grid-cols-2">
      <fieldset>
        <legend className="font-serif text-2xl">{say.mayWe}</legend>
        <p className="text-quiet">{say.notTicked}</p>
        {asked.map((id) => (
          <Tick
            key={id}
            checked={consents.includes(id)}
            words={catalogue.consents[id]?.asks ?? id}
            onTick={(on) => onChange({ consents: ticked(consents, id, on) })}
          />
        ))}
      </fieldset>
      <fieldset>
        <legend className="font-serif text-2xl">{say.whereNot}</legend>
        <span className="flex flex-wrap gap-2">
          <PlaceChoice
            label={say.placeToAvoid}
            place={null}
            catalogue={catalogue}
            zones={false}
            onPlace={(place) =>
              place && onChange({ excluded: togglePlace(excluded, { ...place, because: "" }, catalogue) })
            }
          />
          {excluded.map((place) => (
            <Button
              key={placeKey(place, catalogue)}
              className="bg-base-300"
              aria-label={shared.remove(placeName(place, catalogue))}
              onClick={() => onChange({ excluded: togglePlace(excluded, place, catalogue) })}
            >
              {capital(placeName(place, catalogue))} ✕
            </Button>
          ))}
        </span>
        <label className="mt-3 block">
          {say.nameIfSaid}
          <input
            className="input mt-1 min-h-11 w-full"
            maxLength={120}
            value={name}
            onChange={(event) => onChange({ name: event.target.value })}
          />
        </label>
      </fieldset>
    </div>
  );
}
