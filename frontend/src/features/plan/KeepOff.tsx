import { useState } from "react";
import type { Catalogue, Entry, Excluded } from "../../api/client";
import { capital, sided, spoken } from "../../lib/words";

/** A place that is about to be kept off: a region's side, all of it or a zone. */
export interface OffPlace {
  region: string;
  side: Entry["side"];
  zone: string | null;
}

interface Props {
  excluded: readonly Excluded[];
  place: OffPlace | null;
  catalogue: Catalogue;
  busy: boolean;
  onPlace(place: OffPlace | null): void;
  /** All places to keep off from now on. */
  onKeepOff(excluded: Excluded[]): void;
}

/** Places to keep off: those there are, and one more, pointed at on the table plan or chosen here. */
export function KeepOff({ excluded, place, catalogue, busy, onPlace, onKeepOff }: Props) {
  const [because, setBecause] = useState("");
  const zones = catalogue.regions[place?.region ?? ""]?.zones ?? [];
  function add() {
    if (!place) return;
    onKeepOff([...excluded, { ...place, because: because.trim() }]);
    setBecause("");
    onPlace(null);
  }
  return (
    <section aria-label="Keep off" className="mt-2 rounded-box bg-base-200 px-5 py-4">
      <p>
        Point at a place on the plan, or choose it here. The plan keeps off it at once, for every session to
        come.
      </p>
      <ul className="mt-1">
        {excluded.map((one, index) => (
          <li key={nameOf(one, catalogue)} className="flex flex-wrap items-center gap-x-3">
            <span>
              {capital(nameOf(one, catalogue))}
              {one.because && `: ${one.because}`}
            </span>
            <button
              type="button"
              className="btn btn-ghost min-h-11"
              aria-label={`Allow it again: ${nameOf(one, catalogue)}`}
              disabled={busy}
              onClick={() => onKeepOff(excluded.filter((_, other) => other !== index))}
            >
              Allow it again
            </button>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <select
          className="select w-auto"
          aria-label="Place to keep off"
          value={place ? `${place.region} ${place.side}` : ""}
          onChange={(event) => {
            const [region = "", side = "mid"] = event.target.value.split(" ");
            onPlace(region ? { region, side: side as Entry["side"], zone: null } : null);
          }}
        >
          <option value="">A place</option>
          {Object.values(catalogue.regions).flatMap((region) =>
            (region.sides === "mid" ? (["mid"] as const) : (["right", "left", "both"] as const)).map(
              (side) => (
                <option key={region.id + side} value={`${region.id} ${side}`}>
                  {capital(sided(region, side))}
                </option>
              ),
            ),
          )}
        </select>
        {place && (
          <select
            className="select w-auto"
            aria-label="All of it, or a zone"
            value={place.zone ?? ""}
            onChange={(event) => onPlace({ ...place, zone: event.target.value || null })}
          >
            <option value="">All of it</option>
            {zones.map((zone) => (
              <option key={zone} value={zone}>
                {capital(spoken(zone))}
              </option>
            ))}
          </select>
        )}
        <input
          className="input min-h-11 w-48"
          aria-label="Because"
          placeholder="Because …"
          maxLength={120}
          value={because}
          onChange={(event) => setBecause(event.target.value)}
        />
        <button type="button" className="btn min-h-11 bg-base-100" disabled={!place || busy} onClick={add}>
          Keep off it
        </button>
      </div>
    </section>
  );
}

function nameOf({ region, side = "both", zone }: Excluded, catalogue: Catalogue): string {
  const known = catalogue.regions[region];
  const name = known ? sided(known, known.sides === "mid" ? "mid" : side) : region;
  return zone ? `${name}, ${spoken(zone)}` : name;
}
