import { OwnPace } from "../../../compare/OwnPace";
import { say } from "../../../phrases/screens/practice";
import { Section, Sentences } from "../../../ui/Section";
import { AfterWord } from "./AfterWord";
import { HouseNumber } from "./HouseNumber";
import { type Shown, useItem } from "./useItem";

/** What takes how long between strokes, each number changed in place; beside it, one's own pace at the strokes. */
export function HowLong({ shown }: { shown: Shown }) {
  return (
    <Section anchor="seconds" title={say.howLongThingsTake} intro={say.whatSecondsDo}>
      <Sentences label={say.howLongThingsTake}>
        {Object.entries(shown.house.seconds).map(([name, about]) => (
          <SecondsLine key={name} name={name} about={about} shown={shown} />
        ))}
      </Sentences>
      <h3 className="mt-6 text-xl">{say.uncoveringAndCovering}</h3>
      <Sentences label={say.uncoveringAndCovering}>
        {Object.entries(shown.house.covers).map(([name, about]) => (
          <SecondsLine key={name} name={name} about={about} shown={shown} />
        ))}
      </Sentences>
      <div className="mt-6 max-w-[44rem]">
        <OwnPace />
      </div>
    </Section>
  );
}

function SecondsLine({ name, about, shown }: { name: string; about: string; shown: Shown }) {
  const item = useItem(`seconds.${name}`, shown);
  return (
    <li className="py-2">
      <div className="flex min-h-11 flex-wrap items-center gap-x-2 text-lg">
        {about}:{" "}
        <HouseNumber
          item={item}
          about={about}
          label="Seconds"
          bounds={shown.house.bounds[item.id] ?? shown.house.bounds.seconds}
        />
      </div>
      <AfterWord id={item.id} shown={shown} />
    </li>
  );
}
