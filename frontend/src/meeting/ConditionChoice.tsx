import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { mostToldQuery } from "../api/queries";
import { useCatalogue } from "../api/useCatalogue";
import { say } from "../phrases/screens/meeting";
import { capital } from "../phrases/words";
import { Button } from "../ui/Button";
import { findConditions } from "./conditions";

interface Props {
  label: string;
  chosen: readonly string[];
  /** For the question of the day: what is so today goes before what is told most, and is offered once it is asked for. */
  today?: boolean;
  /** A headache is asked about on a screen of its own. */
  onHeadache?: () => void;
  onChoose(condition: string): void;
}

const MOST = 8;

/** A condition to add: the eight that are told most, or what the typed words find. Enter takes the first. */
export function ConditionChoice({ label, chosen, today, onHeadache, onChoose }: Props) {
  const catalogue = useCatalogue();
  const mostTold = useQuery(mostToldQuery).data ?? [];
  const [typed, setTyped] = useState("");
  const [open, setOpen] = useState(!today);
  const free = Object.values(catalogue.conditions).filter(
    ({ id, headache }) => !chosen.includes(id) && !(today && headache),
  );
  const ofToday = free.filter(({ asked, level }) => today && asked === "today" && level !== "refer");
  const usual = mostTold.flatMap((id) => free.filter((one) => one.id === id && !ofToday.includes(one)));
  const offered = typed.trim() ? findConditions(free, typed) : [...ofToday, ...usual].slice(0, MOST);
  function choose(id: string | undefined) {
    if (!id) return;
    onChoose(id);
    setTyped("");
  }
  return (
    <div>
      <input
        type="search"
        className="input min-h-11 w-full max-w-md"
        aria-label={label}
        placeholder={say.searchConditions(Object.keys(catalogue.conditions).length)}
        maxLength={60}
        value={typed}
        onFocus={() => setOpen(true)}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== "Enter") return;
          event.preventDefault();
          if (typed.trim()) choose(offered[0]?.id);
        }}
      />
      <ul
        aria-label={say.conditionsFound}
        className={open ? "mt-2 flex max-w-3xl flex-wrap gap-2" : "hidden"}
      >
        {onHeadache && "headache".startsWith(typed.trim().toLowerCase()) && (
          <li>
            <Button className="bg-base-300" onClick={onHeadache}>
              {say.headache} …
            </Button>
          </li>
        )}
        {offered.map(({ id, name, level }) => (
          <li key={id}>
            <Button className="bg-base-300 text-left" onClick={() => choose(id)}>
              {level === "refer" && (
                <span aria-hidden="true" className="text-accent">
                  △
                </span>
              )}
              {capital(name)}
            </Button>
          </li>
        ))}
      </ul>
      {offered.length === 0 && (
        <p role="status" className="mt-1 text-quiet">
          {say.noConditionFound}
        </p>
      )}
    </div>
  );
}
