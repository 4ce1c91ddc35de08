import { useState } from "react";
import type { Catalogue, OwnSchool } from "../../../../api/client";
import { useCatalogue } from "../../../../api/useCatalogue";
import { say } from "../../../../phrases/screens/practice/schools";
import { shared } from "../../../../phrases/screens/shared";
import { capital } from "../../../../phrases/words";
import { Button } from "../../../../ui/Button";
import { ProblemNote } from "../../../../ui/ProblemNote";
import { Section } from "../../../../ui/Section";
import { newId } from "../newId";
import { useHouse } from "../useHouse";
import type { Shown } from "../useItem";
import { SchoolEditor } from "./SchoolEditor";

type School = Catalogue["schools"][string];

/** How much of what, in which order: the shipped schools, and those of one's own that were begun from them. */
export function Schools({ shown }: { shown: Shown }) {
  const catalogue = useCatalogue();
  const [kind, setKind] = useState("full_body");
  const [open, setOpen] = useState<string>();
  const kinds = Object.values(catalogue.kinds).filter((one) => one.offered && !one.open_ended);
  const schools = Object.values(catalogue.schools).filter((school) => school.kind === kind);
  const usual = catalogue.usual_briefs[kind]?.school;
  return (
    <Section anchor="schools" title={say.howMuchOfWhat} intro={say.whatSchoolsDo}>
      <label className="mt-4 flex flex-wrap items-center gap-3">
        {say.forWhichKind}
        <select
          className="select min-h-11 w-auto text-base"
          value={kind}
          onChange={(event) => {
            setKind(event.target.value);
            setOpen(undefined);
          }}
        >
          {kinds.map((one) => (
            <option key={one.id} value={one.id}>
              {capital(one.name)}
            </option>
          ))}
        </select>
      </label>
      <ul aria-label={say.howMuchOfWhat} className="mt-3 divide-y divide-base-300">
        {schools.map((school) => (
          <li key={school.id} className="py-3">
            <SchoolLine
              school={school}
              usual={school.id === usual}
              open={school.id === open}
              shown={shown}
              onOpen={setOpen}
            />
            {school.id === open && shown.house.own[`schools.${school.id}`] && (
              <SchoolEditor key={school.id} school={school} shown={shown} />
            )}
          </li>
        ))}
      </ul>
    </Section>
  );
}

function SchoolLine(props: {
  school: School;
  usual: boolean;
  open: boolean;
  shown: Shown;
  onOpen(id: string | undefined): void;
}) {
  const { school, usual, open, shown, onOpen } = props;
  const copying = useHouse();
  const own = school.base != null;
  const name = capital(school.name);
  function copy() {
    const id = newId();
    copying.mutate({ item: `schools.${id}`, after: JSON.stringify(ownFrom(school)) });
    onOpen(id);
  }
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <p className="grow text-lg">
        <b>{name}</b>
        {usual && `, ${say.theUsualOne}`}
        {!school.offered && `, ${say.archived}`}
        <span className="block text-base text-quiet">{school.gloss}</span>
      </p>
      {own ? (
        <Button
          aria-expanded={open}
          aria-label={open ? say.closeSchool(name) : say.openSchool(name)}
          onClick={() => onOpen(open ? undefined : school.id)}
        >
          {open ? "Close" : "Open"}
        </Button>
      ) : (
        shown.may && (
          <Button aria-label={shared.copy(name)} onClick={copy}>
            Copy
          </Button>
        )
      )}
      {copying.error && <ProblemNote error={copying.error} />}
    </div>
  );
}

function ownFrom(school: School): OwnSchool {
  return {
    name: say.ours(school.name),
    base: school.id,
    weights: school.weights ?? {},
    blocks: school.block.map(({ position, rows }) => ({ position, rows })),
    usual: false,
    archived: false,
  };
}
