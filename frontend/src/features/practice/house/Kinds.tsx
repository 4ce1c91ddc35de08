import type { Catalogue } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/practice";
import { shared } from "../../../phrases/screens/shared";
import { capital } from "../../../phrases/words";
import { Section } from "../../../ui/Section";
import { AfterWord } from "./AfterWord";
import { HouseNumber } from "./HouseNumber";
import { AnswersPanel, HouseWord } from "./HouseWord";
import { NumberPanel } from "./NumberPanel";
import { type HouseItem, type Shown, useItem } from "./useItem";

type Kind = Catalogue["kinds"][string];

/** Which kinds of session there are, for how long, and what of a booking is not hands-on. */
export function Kinds({ shown }: { shown: Shown }) {
  const kinds = Object.values(useCatalogue().kinds);
  return (
    <Section anchor="kinds" title={say.kindsWeOffer} intro={say.whatKindsDo}>
      <ul aria-label={say.kindsWeOffer} className="mt-4 divide-y divide-base-300">
        {kinds.map((kind) => (
          <KindLine key={kind.id} kind={kind} shown={shown} />
        ))}
      </ul>
    </Section>
  );
}

function KindLine({ kind, shown }: { kind: Kind; shown: Shown }) {
  const offered = useItem(`kinds.${kind.id}`, shown);
  const bookings = useItem(`bookings.${kind.id}`, shown);
  const before = useItem(`minutes.${kind.id}.before`, shown);
  const first = useItem(`minutes.${kind.id}.first_visit`, shown);
  const after = useItem(`minutes.${kind.id}.after`, shown);
  const name = capital(kind.name);
  const bounds = shown.house.bounds.minutes;
  const lacks = offered.now === "no_surface";
  const timed = kind.offered && !kind.open_ended;
  return (
    <li className="py-4">
      <div className="text-lg leading-loose">
        <b>{name}</b>
        {lacks ? (
          say.takesSurface(kind.surface)
        ) : (
          <>
            {": "}
            <HouseWord
              item={offered}
              about={name}
              panel={(take) => <OfferedPanel item={offered} title={name} onTake={take} />}
            >
              {kind.offered ? "offered" : say.notOffered}
            </HouseWord>
          </>
        )}
        {timed && (
          <>
            , for{" "}
            <HouseWord
              item={bookings}
              about={say.bookingsOf(name)}
              panel={(take) => (
                <NumberPanel item={bookings} label="Minutes" usual={bookings.usual} onTake={take} />
              )}
            >
              {shared.min(eitherOf(bookings.now))}
            </HouseWord>
            ; <HouseNumber item={before} about={say.minutesBefore(name)} label="Minutes" bounds={bounds} />
            {say.beforeFirstTouch}
            <HouseNumber item={first} about={say.minutesBeforeFirst(name)} label="Minutes" bounds={bounds} />
            {say.onFirstVisit}
            <HouseNumber item={after} about={say.minutesAfter(name)} label="Minutes" bounds={bounds} />
            {say.afterTheLast}
          </>
        )}
        {kind.offered && kind.open_ended && say.asLongAsItTakes}.
      </div>
      {[offered, bookings, before, first, after].map((item) => (
        <AfterWord key={item.id} id={item.id} shown={shown} told />
      ))}
    </li>
  );
}

function OfferedPanel(props: { item: HouseItem; title: string; onTake(after: string | null): void }) {
  const { item, title, onTake } = props;
  const answers = [
    { id: "offered", words: "offered" },
    { id: "not_offered", words: say.notOffered },
  ];
  return <AnswersPanel item={item} title={title} answers={answers} onTake={onTake} />;
}

/** `60, 75` as one says it: `60 or 75`. */
function eitherOf(minutes: string): string {
  return minutes.replace(/, (?=\d+$)/, " or ");
}
