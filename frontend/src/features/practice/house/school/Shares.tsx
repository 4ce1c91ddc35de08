import { useEffect, useRef } from "react";
import type { OwnSchool, SchoolsBeside } from "../../../../api/client";
import { useCatalogue } from "../../../../api/useCatalogue";
import { decimal } from "../../../../phrases/measures";
import { say } from "../../../../phrases/screens/practice/schools";
import { capital } from "../../../../phrases/words";

/** The least and the most that a region may weigh. */
type Bounds = readonly [number, number];

/** The school with another weight of a region, within bounds and in tenths. */
export function weigh(own: OwnSchool, region: string, weight: number, [least, most]: Bounds): OwnSchool {
  const bound = Math.min(most, Math.max(least, Math.round(weight * 10) / 10));
  return { ...own, weights: { ...own.weights, [region]: bound } };
}

interface Props {
  own: OwnSchool;
  beside: SchoolsBeside | undefined;
  /** Whether the minutes are being planned. */
  planning: boolean;
  minutes: number;
  bookings: readonly number[];
  bounds: Bounds;
  chosen: string | undefined;
  baseName: string;
  may: boolean;
  onMinutes(minutes: number): void;
  onKeep(own: OwnSchool): void;
}

/** What each region weighs beside its size, to drag or to type, and the minutes that come of it. */
export function Shares(props: Props) {
  const { own, beside, planning, minutes, bookings, bounds, chosen, baseName, may, onMinutes, onKeep } =
    props;
  const catalogue = useCatalogue();
  const regions = [...new Set(own.blocks.flatMap(({ rows }) => rows.flat()))];
  return (
    <div className="min-w-0 overflow-x-auto">
      <div className="flex flex-wrap items-center gap-3">
        <label className="flex items-center gap-3">
          {say.inASessionOf}
          <select
            className="select min-h-11 w-auto text-base"
            value={minutes}
            onChange={(event) => onMinutes(Number(event.target.value))}
          >
            {bookings.map((booking) => (
              <option key={booking} value={booking}>
                {booking} min
              </option>
            ))}
          </select>
        </label>
        <span role="status" className="text-quiet">
          {planning && say.planning}
        </span>
      </div>
      {(beside?.own.refused || beside?.base.refused) && (
        <p role="status" className="mt-2 text-accent">
          △ {capital(beside.own.refused || beside.base.refused || "")}
        </p>
      )}
      <table className="mt-2 w-full">
        <thead className="text-left text-quiet">
          <tr>
            <th className="font-normal">{say.region}</th>
            <th className="font-normal">{say.weight}</th>
            <th className="text-right font-normal">{say.here}, min</th>
            <th className="pl-3 text-right font-normal">{capital(baseName)}</th>
          </tr>
        </thead>
        <tbody>
          {regions.map((region) => (
            <Share
              key={region}
              name={capital(catalogue.regions[region]?.whole ?? region)}
              weight={own.weights?.[region] ?? 1}
              chosen={region === chosen}
              may={may}
              bounds={bounds}
              here={beside?.own.minutes[region]}
              there={beside?.base.minutes[region]}
              onWeigh={(weight) => onKeep(weigh(own, region, weight, bounds))}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Share(props: {
  name: string;
  weight: number;
  chosen: boolean;
  may: boolean;
  bounds: Bounds;
  here: number | undefined;
  there: number | undefined;
  onWeigh(weight: number): void;
}) {
  const { name, weight, chosen, may, bounds, here, there, onWeigh } = props;
  const [min, max] = bounds;
  const slider = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (chosen) slider.current?.focus();
  }, [chosen]);
  return (
    <tr className={`border-t border-base-300 ${chosen ? "font-bold" : ""}`}>
      <th scope="row" className={`py-1 pr-3 text-left ${chosen ? "" : "font-normal"}`}>
        {name}
      </th>
      <td>
        <span className="flex items-center gap-3">
          <input
            ref={slider}
            type="range"
            className="range range-primary range-sm hidden w-40 sm:block"
            aria-label={say.weightOf(name)}
            min={min}
            max={max}
            step={0.1}
            disabled={!may}
            value={weight}
            onChange={(event) => onWeigh(Number(event.target.value))}
          />
          <input
            type="number"
            className="input min-h-11 w-18"
            aria-label={say.typeWeightOf(name)}
            min={min}
            max={max}
            step={0.1}
            disabled={!may}
            key={weight}
            defaultValue={weight}
            onBlur={(event) => {
              const typed = Number(event.target.value);
              if (event.target.value !== "" && typed !== weight) onWeigh(typed);
            }}
            onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
          />
        </span>
      </td>
      <td className="numbers text-right">{minutesOf(here)}</td>
      <td className="numbers pl-3 text-right text-quiet">{minutesOf(there)}</td>
    </tr>
  );
}

function minutesOf(minutes: number | undefined): string {
  return minutes === undefined ? "–" : decimal(minutes);
}
