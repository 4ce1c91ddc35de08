import { useState } from "react";
import type { ClientPage, ClientRecord } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/clients/describing";
import { capital, depthWord } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Field } from "./Field";
import { PlaceList } from "./PlaceList";
import { Remove } from "./Remove";
import type { Describe } from "./useDescribe";

const DEPTHS = [1, 1.5, 2, 2.5, 3, 3.5, 4, 4.5, 5];
const COMFORT = {
  oil: ["usual", "little", "none"],
  warmth: ["warm", "usual", "cool"],
  talk: ["quiet", "some", "talk"],
  music: ["none", "soft"],
} as const;

/** What the client wishes for: depth by region, strokes and tools, places, comfort. Every change is kept at once. */
export function DescribeWishes(props: { client: ClientPage; describe: Describe }) {
  const catalogue = useCatalogue();
  const { client, describe } = props;
  const { record } = client;
  const change = (told: Partial<ClientRecord>) => describe.mutate(told);
  const others = Object.values(catalogue.regions).filter(
    ({ id }) => !record.wishes.some((wish) => wish.region === id),
  );
  return (
    <div className="grid grid-cols-1 gap-6">
      <section aria-label={say.pressureByRegion}>
        <h3 className="text-lg">{say.pressureByRegion}</h3>
        <ul>
          {record.wishes.map((wish) => (
            <li key={wish.region} className="flex flex-wrap items-center gap-3 py-1">
              <span className="w-44">{capital(catalogue.regions[wish.region]?.whole ?? wish.region)}</span>
              <select
                className="select min-h-11 w-auto max-w-full"
                aria-label={`Depth wished on the ${catalogue.regions[wish.region]?.whole}`}
                value={wish.depth}
                onChange={(event) =>
                  change({
                    wishes: record.wishes.map((one) =>
                      one === wish ? { ...one, depth: Number(event.target.value) } : one,
                    ),
                  })
                }
              >
                {DEPTHS.map((depth) => (
                  <option key={depth} value={depth}>
                    {depth}
                    {depthWord[depth] ? `, ${depthWord[depth]}` : ""}
                  </option>
                ))}
              </select>
              <Button
                look="quiet"
                aria-label={`No wish for the ${catalogue.regions[wish.region]?.whole}`}
                onClick={() => change({ wishes: record.wishes.filter((one) => one !== wish) })}
              >
                No wish
              </Button>
            </li>
          ))}
        </ul>
        <select
          className="select mt-1 min-h-11 w-auto max-w-full"
          aria-label={say.regionToWishFor}
          value=""
          onChange={(event) =>
            change({ wishes: [...record.wishes, { region: event.target.value, depth: 3 }] })
          }
        >
          <option value="">Another region</option>
          {others.map(({ id, whole }) => (
            <option key={id} value={id}>
              {capital(whole)}
            </option>
          ))}
        </select>
      </section>
      <div className="grid gap-6 lg:grid-cols-2">
        <Liked field="likes" label="Likes" record={record} onChange={change} />
        <Liked field="dislikes" label={say.doesNotLike} record={record} onChange={change} />
        <PlaceList
          label="Carries tension"
          places={record.tension}
          onChange={(tension) => change({ tension })}
        />
        <PlaceList
          label="Keep off"
          places={record.excluded}
          because
          onChange={(excluded) => change({ excluded })}
        />
      </div>
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        {(Object.keys(COMFORT) as (keyof typeof COMFORT)[]).map((field) => (
          <Field key={field} label={capital(field)}>
            <select
              className="select min-h-11 w-36"
              value={record[field]}
              onChange={(event) => change({ [field]: event.target.value })}
            >
              <option value="">not asked</option>
              {COMFORT[field].map((value) => (
                <option key={value}>{value}</option>
              ))}
            </select>
          </Field>
        ))}
        <Aims record={record} onChange={change} />
      </div>
      {describe.error && <ProblemNote error={describe.error} />}
    </div>
  );
}

function Aims({ record, onChange }: { record: ClientRecord; onChange(told: Partial<ClientRecord>): void }) {
  const [aims, setAims] = useState(record.aims);
  return (
    <div className="grow sm:min-w-72">
      <Field label={say.whatMakesItGoodHour}>
        <input
          className="input min-h-11 w-full"
          maxLength={1000}
          value={aims}
          onChange={(event) => setAims(event.target.value)}
          onBlur={() => aims !== record.aims && onChange({ aims })}
        />
      </Field>
    </div>
  );
}

interface LikedProps {
  field: "likes" | "dislikes";
  label: string;
  record: ClientRecord;
  onChange(told: Partial<ClientRecord>): void;
}

/** Strokes and tools; what is liked is not disliked at once. */
function Liked({ field, label, record, onChange }: LikedProps) {
  const catalogue = useCatalogue();
  const named = { ...catalogue.strokes, ...catalogue.tools };
  const other = field === "likes" ? "dislikes" : "likes";
  return (
    <section aria-label={label}>
      <h3 className="text-lg">{label}</h3>
      <ul className="flex flex-wrap gap-2">
        {record[field].map((id) => (
          <li key={id}>
            <Remove
              words={named[id]?.name ?? id}
              onRemove={() => onChange({ [field]: record[field].filter((one) => one !== id) })}
            />
          </li>
        ))}
      </ul>
      <select
        className="select mt-1 min-h-11 w-auto max-w-full"
        aria-label={say.strokeOrToolOf(label)}
        value=""
        onChange={(event) =>
          onChange({
            [field]: [...record[field], event.target.value],
            [other]: record[other].filter((one) => one !== event.target.value),
          })
        }
      >
        <option value="">{say.strokeOrTool}</option>
        {Object.values(named)
          .filter(({ id }) => !record[field].includes(id))
          .map(({ id, name }) => (
            <option key={id} value={id}>
              {capital(name)}
            </option>
          ))}
      </select>
    </section>
  );
}
