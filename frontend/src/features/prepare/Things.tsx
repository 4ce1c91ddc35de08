import { Link } from "@tanstack/react-router";
import type { ReactNode } from "react";
import type { PreparedItem } from "../../api/client";
import { pouredWords } from "../../phrases/measures";
import { say } from "../../phrases/screens/prepare";
import { timeOfDay } from "../../phrases/time";
import { Tick } from "../../ui/Tick";

type Group = PreparedItem["thing"]["group"];

const WORDS: Record<Group, string> = {
  room: say.room,
  table: say.tableOrChair,
  linen: "Linen",
  supports: say.supports,
  lubricant: "Lubricant",
  towels: say.hotTowels,
  yourself: "Yourself",
};

const GROUPS = Object.keys(WORDS) as Group[];
/** What is done by the clock and not before; the rest by then. */
const AT: readonly Group[] = ["towels"];

interface Props {
  sessionId: string;
  items: readonly PreparedItem[];
  timeZone: string;
  /** In one column, where there is no room for two. */
  narrow?: boolean;
  /** What stands under the things of a group. */
  under?: Partial<Record<Group, ReactNode>>;
  onTick(item: string, done: boolean): void;
}

/** What to prepare, by what it belongs to, each thing to be ticked. */
export function Things({ sessionId, items, timeZone, narrow, under, onTick }: Props) {
  const groups = GROUPS.map((group) => ({ group, own: items.filter(({ thing }) => thing.group === group) }));
  return (
    <div className={narrow ? "" : "gap-x-10 sm:columns-2"}>
      {groups
        .filter(({ own }) => own.length > 0)
        .map(({ group, own }) => (
          <section key={group} aria-label={WORDS[group]} className="mb-2 break-inside-avoid">
            <h2 className="text-xl">{WORDS[group]}</h2>
            <ul>
              {own.map((item) => (
                <li key={item.thing.id}>
                  <Tick
                    checked={item.done_at !== null}
                    words={wordsOf(item, timeZone)}
                    onTick={(done) => onTick(item.thing.id, done)}
                  />
                  <Details sessionId={sessionId} item={item} />
                </li>
              ))}
            </ul>
            {under?.[group]}
          </section>
        ))}
    </div>
  );
}

function wordsOf({ thing, due_at }: PreparedItem, timeZone: string): string {
  const time = due_at ? timeOfDay(due_at, timeZone) : "";
  const when = time && (AT.includes(thing.group) ? say.at(time) : say.by(time));
  const amount = thing.millilitres ? `, ${pouredWords(thing.millilitres)}` : "";
  return `${thing.words}${amount}${when}`;
}

/** What it is for, in the order of use, and what speaks for it or against it. */
function Details({ sessionId, item }: { sessionId: string; item: PreparedItem }) {
  const { uses = [], because, wrong } = item.thing;
  if (uses.length === 0 && !because) return null;
  return (
    <div className="-mt-1.5 pb-1 pl-10 text-[0.95rem] text-quiet">
      {uses.map((use) => (
        <p key={use}>{use}</p>
      ))}
      {because && (
        <p className={wrong ? "font-bold text-accent" : ""}>
          {wrong && <span aria-hidden="true">△ </span>}
          {because}
          {wrong && ". "}
          {wrong && (
            <Link to="/session/$sessionId/plan" params={{ sessionId }} className="underline">
              {say.inThePlan}
            </Link>
          )}
        </p>
      )}
    </div>
  );
}
