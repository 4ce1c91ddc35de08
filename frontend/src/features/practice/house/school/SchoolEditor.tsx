import { useQuery } from "@tanstack/react-query";
import { useMemo, useRef, useState } from "react";
import type { Catalogue, OwnSchool } from "../../../../api/client";
import { schoolQuery } from "../../../../api/practiceQueries";
import { useCatalogue } from "../../../../api/useCatalogue";
import { BodyPlan } from "../../../../meeting/BodyPlan";
import { say } from "../../../../phrases/screens/practice/schools";
import { capital } from "../../../../phrases/words";
import { Button } from "../../../../ui/Button";
import { ProblemNote } from "../../../../ui/ProblemNote";
import { Tick } from "../../../../ui/Tick";
import { AfterWord } from "../AfterWord";
import { type Shown, useItem } from "../useItem";
import { RowOrder } from "./RowOrder";
import { Shares, weigh } from "./Shares";
import { useDraft } from "./useDraft";

type School = Catalogue["schools"][string];

/** Dragged so far on the table plan, a region weighs 1 more. */
const PIXELS = 60;

/** A school of one's own: its name, what each region gets of the time, and the order; each change is kept at once. */
export function SchoolEditor({ school, shown }: { school: School; shown: Shown }) {
  const catalogue = useCatalogue();
  const item = useItem(`schools.${school.id}`, shown);
  const kept = useMemo<OwnSchool>(
    () => JSON.parse(shown.house.own[item.id] ?? "{}"),
    [shown.house.own, item.id],
  );
  const [own, keep] = useDraft(item, kept);
  const [chosen, setChosen] = useState<string>();
  const bookings = catalogue.kinds[school.kind]?.usual_minutes ?? [];
  // In the longest booking the fewest regions are left out.
  const [minutes, setMinutes] = useState(bookings.at(-1) ?? 60);
  const bounds = shown.house.bounds.schools ?? [0, 1];
  const beside = useQuery(schoolQuery(own, minutes));
  const base = catalogue.schools[own.base];
  const shaded = useMemo(() => shadesOf(own.weights ?? {}, school, bounds[1]), [own.weights, school, bounds]);
  const began = useRef(1);
  function drag({ region }: { region: string }, pixels: number) {
    if (pixels === 0) began.current = own.weights?.[region] ?? 1;
    else keep(weigh(own, region, began.current + pixels / PIXELS, bounds));
  }
  const seated = catalogue.kinds[school.kind]?.surface === "chair";
  return (
    <div className="mt-4 rounded-box bg-base-200 px-5 py-5 sm:px-7">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <NameEntry key={own.name} name={own.name} may={shown.may} onName={(name) => keep({ ...own, name })} />
        {shown.may && (
          <>
            <Tick
              checked={own.usual ?? false}
              words={say.useAsUsual}
              onTick={(usual) => keep({ ...own, usual, archived: false })}
            />
            <Button
              onClick={() =>
                keep({ ...own, weights: base?.weights ?? {}, blocks: rowsOf(base) ?? own.blocks })
              }
            >
              {say.resetTo(base?.name ?? own.base)}
            </Button>
            <Button onClick={() => keep({ ...own, archived: !own.archived, usual: false })}>
              {own.archived ? say.restore : "Archive"}
            </Button>
          </>
        )}
      </div>
      <AfterWord id={item.id} shown={shown} />
      {item.error && <ProblemNote error={item.error} />}
      <div className={`mt-5 grid gap-x-10 gap-y-6 ${seated ? "" : "lg:grid-cols-[minmax(0,26rem)_1fr]"}`}>
        {!seated && (
          <div>
            <p className="mb-2 text-quiet">{shown.may && say.dragARegion}</p>
            <BodyPlan
              catalogue={catalogue}
              shaded={shaded}
              onTheSide={school.block.some(({ position }) => catalogue.positions[position]?.upper)}
              onPick={({ region }) => setChosen(region)}
              {...(shown.may ? { onDrag: drag } : {})}
            />
          </div>
        )}
        <Shares
          own={own}
          beside={beside.data}
          planning={beside.isFetching}
          minutes={minutes}
          chosen={chosen}
          baseName={base?.name ?? own.base}
          may={shown.may}
          bookings={bookings}
          bounds={bounds}
          onMinutes={setMinutes}
          onKeep={keep}
        />
      </div>
      <RowOrder own={own} may={shown.may} onKeep={keep} />
    </div>
  );
}

function NameEntry({ name, may, onName }: { name: string; may: boolean; onName(name: string): void }) {
  const [typed, setTyped] = useState(name);
  if (!may) return <p className="text-xl">{capital(name)}</p>;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onName(typed);
      }}
      className="flex flex-wrap items-end gap-2"
    >
      <label className="grid min-w-0 grid-cols-1 gap-1">
        {say.itsName}
        <input
          className="input min-h-11 w-60 max-w-full text-base sm:w-72"
          maxLength={60}
          required
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </label>
      {typed.trim() !== name && (
        <Button look="main" type="submit">
          Save
        </Button>
      )}
    </form>
  );
}

function rowsOf(school: School | undefined) {
  return school?.block.map(({ position, rows }) => ({ position, rows }));
}

/** The more a region weighs beside its size, the darker it is drawn; what is in no row is not shaded. */
function shadesOf(
  weights: Readonly<Record<string, number>>,
  school: School,
  most: number,
): Record<string, number> {
  const regions = school.block.flatMap(({ rows }) => rows.flat());
  return Object.fromEntries(
    regions.flatMap((region) =>
      ["mid", "left", "right"].map((side) => [
        `${region} ${side}`,
        0.12 + 0.75 * Math.sqrt((weights[region] ?? 1) / most),
      ]),
    ),
  );
}
