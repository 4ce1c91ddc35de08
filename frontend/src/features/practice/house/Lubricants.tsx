import { useState } from "react";
import type { Catalogue } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/practice";
import { capital, listed, spoken } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Section, Sentences } from "../../../ui/Section";
import { Tick } from "../../../ui/Tick";
import { AfterWord } from "./AfterWord";
import { AnswersPanel, HouseWord } from "./HouseWord";
import { newId } from "./newId";
import { type Shown, useItem } from "./useItem";

type Lubricant = Catalogue["lubricants"][string];

/** What goes on the skin: what is in stock, what is in it, and bottles of one's own. */
export function Lubricants({ shown }: { shown: Shown }) {
  const bottles = Object.values(useCatalogue().lubricants);
  return (
    <Section anchor="skin" title={say.onTheSkin} intro={say.whatContentsDo}>
      <Sentences label={say.onTheSkin}>
        {bottles.map((bottle) => (
          <LubricantLine key={bottle.id} bottle={bottle} shown={shown} />
        ))}
      </Sentences>
      {shown.may && <NewBottle shown={shown} />}
    </Section>
  );
}

function LubricantLine({ bottle, shown }: { bottle: Lubricant; shown: Shown }) {
  const item = useItem(`lubricants.${bottle.id}`, shown);
  const name = capital(bottle.name);
  const contains = bottle.contains ?? [];
  const own = shown.house.usual[item.id] === undefined;
  // A bottle of one's own is kept whole, in stock or not.
  const kept = (in_stock: boolean) => JSON.stringify({ name: bottle.name, contains, in_stock });
  const take = (after: string | null, onKept?: () => void) =>
    item.change(own ? kept(after !== "none") : after === "in_stock" ? null : after, onKept);
  return (
    <li className="py-4">
      <div className="text-lg">
        {name}:{" "}
        <HouseWord
          item={{ ...item, change: take }}
          about={name}
          panel={(onTake) => (
            <AnswersPanel
              item={{ ...item, usual: "" }}
              title={name}
              answers={[
                { id: "in_stock", words: say.inStock },
                { id: "none", words: say.notInStock },
              ]}
              onTake={onTake}
            />
          )}
        >
          {bottle.in_stock ? say.inStock : say.notInStock}
        </HouseWord>
      </div>
      <p className="text-quiet">
        {contains.length > 0
          ? say.contains(listed(contains.map(spoken)))
          : bottle.gloss || say.containsNothing}
      </p>
      <AfterWord id={item.id} shown={shown} />
    </li>
  );
}

/** A bottle of one's own: its name, and what of it some people must not have on the skin. */
function NewBottle({ shown }: { shown: Shown }) {
  const catalogue = useCatalogue();
  const [id, setId] = useState(newId);
  const [name, setName] = useState("");
  const [contains, setContains] = useState<readonly string[]>([]);
  const item = useItem(`lubricants.${id}`, shown);
  const known = new Set(Object.values(catalogue.lubricants).flatMap((bottle) => bottle.contains ?? []));
  return (
    <form
      className="mt-4 flex flex-wrap items-end gap-x-6 gap-y-3"
      onSubmit={(event) => {
        event.preventDefault();
        item.change(JSON.stringify({ name, contains }), () => {
          setId(newId());
          setName("");
          setContains([]);
        });
      }}
    >
      <label className="grid min-w-0 grid-cols-1 gap-1">
        {say.anotherBottle}
        <input
          className="input min-h-11 w-60 max-w-full text-base sm:w-72"
          maxLength={60}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <fieldset className="flex flex-wrap gap-x-5">
        <legend>{say.itContains}</legend>
        {[...known].toSorted().map((ingredient) => (
          <Tick
            key={ingredient}
            checked={contains.includes(ingredient)}
            words={spoken(ingredient)}
            onTick={(on) =>
              setContains(on ? [...contains, ingredient] : contains.filter((other) => other !== ingredient))
            }
          />
        ))}
      </fieldset>
      <Button type="submit" disabled={name.trim() === ""}>
        Add
      </Button>
      {item.error && <ProblemNote error={item.error} />}
    </form>
  );
}
