import { useRef, useState } from "react";
import type { Brief } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/plan/brief";
import { shared } from "../../../phrases/screens/shared";
import { capital } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { type StrokeWishes, strokesWith, strokesWithout } from "./strokeWishes";

interface Props {
  wishes: StrokeWishes;
  onChange(patch: Partial<Brief>): void;
}

/** The strokes that the session has though they are done by wish, and those that it does without. */
export function StrokesPanel({ wishes, onChange }: Props) {
  const catalogue = useCatalogue();
  const [stroke, setStroke] = useState("");
  const panel = useRef<HTMLFieldSetElement>(null);
  // What was pressed goes, or can be pressed no more: the keys go on from the list.
  const keepFocus = () => panel.current?.querySelector<HTMLElement>("select, button")?.focus();
  const { with_strokes: wanted = [], without_strokes: unwanted = [] } = wishes;
  const named = (id: string) => catalogue.strokes[id]?.name ?? id;
  const chosen = [
    ...wanted.map((id) => ({ id, words: say.wantedStroke(capital(named(id))) })),
    ...unwanted.map((id) => ({ id, words: say.unwantedStroke(capital(named(id))) })),
  ];
  const others = Object.values(catalogue.strokes)
    .filter(({ id }) => !wanted.includes(id) && !unwanted.includes(id))
    .sort((a, b) => a.name.localeCompare(b.name));
  const add = (patch: Partial<Brief>) => {
    keepFocus();
    onChange(patch);
    setStroke("");
  };
  return (
    <fieldset ref={panel} className="max-w-[44ch]">
      <legend className="mb-1 font-bold">{say.whichStrokes}</legend>
      <p className="mb-2 text-quiet">{say.whatWantedStrokesDo}</p>
      <ul>
        {chosen.map(({ id, words }) => (
          <li key={id} className="flex min-h-11 items-center justify-between gap-3">
            {words}
            <Button
              look="quiet"
              aria-label={shared.remove(named(id))}
              onClick={() => {
                keepFocus();
                onChange({
                  with_strokes: wanted.filter((other) => other !== id),
                  without_strokes: unwanted.filter((other) => other !== id),
                });
              }}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <span className="flex flex-wrap gap-2">
        <select
          data-first
          aria-label="Stroke"
          className="select min-h-11"
          value={stroke}
          onChange={(event) => setStroke(event.target.value)}
        >
          <option value="">{say.chooseStroke}</option>
          {others.map(({ id, name }) => (
            <option key={id} value={id}>
              {capital(name)}
            </option>
          ))}
        </select>
        <Button disabled={!stroke} onClick={() => add(strokesWith(wishes, stroke))}>
          {say.bringItIn}
        </Button>
        <Button disabled={!stroke} onClick={() => add(strokesWithout(wishes, stroke))}>
          {shared.leaveItOut}
        </Button>
      </span>
    </fieldset>
  );
}
