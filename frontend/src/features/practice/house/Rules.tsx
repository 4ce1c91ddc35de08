import type { Catalogue } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/practice";
import { Section, Sentences } from "../../../ui/Section";
import { AfterWord } from "./AfterWord";
import { AnswersPanel, HouseWord } from "./HouseWord";
import { type Shown, useItem } from "./useItem";

type Rule = Catalogue["house_rules"][string];

/** The house rules about one thing, each a sentence whose answer is changed in place. */
export function Rules(props: { about: Rule["about"]; title: string; intro: string; shown: Shown }) {
  const { about, title, intro, shown } = props;
  const rules = Object.values(useCatalogue().house_rules).filter((rule) => rule.about === about);
  return (
    <Section anchor={about} title={title} intro={intro}>
      <Sentences label={title}>
        {rules.map((rule) => (
          <RuleLine key={rule.id} rule={rule} shown={shown} />
        ))}
      </Sentences>
    </Section>
  );
}

function RuleLine({ rule, shown }: { rule: Rule; shown: Shown }) {
  const item = useItem(`rules.${rule.id}`, shown);
  const chosen = rule.choice.find(({ id }) => id === item.now);
  const usual = rule.choice.find(({ id }) => id === rule.default)?.name ?? "";
  return (
    <li className="py-4">
      <div className="text-lg">
        {rule.name}:{" "}
        <HouseWord
          item={item}
          about={rule.name}
          panel={(take) => (
            <AnswersPanel
              item={item}
              title={rule.name}
              why={say.usually(usual, rule.reason)}
              answers={rule.choice.map(({ id, name, gloss }) => ({ id, words: name, gloss }))}
              onTake={take}
            />
          )}
        >
          {chosen?.name ?? ""}
        </HouseWord>
      </div>
      <p className="text-quiet">{chosen?.gloss || (item.now === rule.default && rule.reason)}</p>
      <AfterWord id={item.id} shown={shown} />
    </li>
  );
}
