import type { ReactNode } from "react";
import { OpenWord } from "../../../ui/OpenWord";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Effect } from "./Effect";
import type { HouseItem } from "./useItem";

/** What an item is, in a sentence: a word that opens to change it, for whoever may. What is refused stays open. */
export function HouseWord(props: {
  item: HouseItem;
  about: string;
  children: string;
  panel(take: (after: string | null) => void): ReactNode;
}) {
  const { item, about, children, panel } = props;
  if (!item.may) return <b>{children}</b>;
  return (
    <OpenWord
      about={about}
      panel={(close) => (
        <>
          {panel((after) => item.change(after, close))}
          {item.error && <ProblemNote error={item.error} />}
        </>
      )}
    >
      {children}
    </OpenWord>
  );
}

interface Answer {
  id: string;
  words: string;
  gloss?: string;
}

/** The answers to an item: what each is, and what it would do. */
export function AnswersPanel(props: {
  item: HouseItem;
  title: string;
  why?: string;
  answers: readonly Answer[];
  onTake(after: string | null): void;
}) {
  const { item, title, why, answers, onTake } = props;
  return (
    <span className="block max-w-[30rem]">
      <span className="block font-bold">{title}</span>
      {why && <span className="block text-quiet">{why}</span>}
      <span className="mt-3 grid gap-2">
        {answers.map((answer) => {
          const after = answer.id === item.usual ? null : answer.id;
          return (
            <span
              key={answer.id}
              className="block rounded-field bg-base-200 px-4 py-3 has-checked:bg-primary has-checked:text-primary-content has-focus-visible:outline-3"
            >
              <label className="flex min-h-8 cursor-pointer items-start gap-3">
                <input
                  type="radio"
                  className="radio radio-sm mt-1"
                  name={item.id}
                  checked={answer.id === item.now}
                  onChange={() => onTake(after)}
                />
                <span>
                  {answer.words}
                  {answer.gloss && <span className="block text-[0.95rem]">{answer.gloss}</span>}
                </span>
              </label>
              {answer.id !== item.now && <Effect item={item.id} after={after} />}
            </span>
          );
        })}
      </span>
    </span>
  );
}
