import { useState } from "react";
import type { Entry, PlacesKeptOff, RunSheet, SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import type { ChosenPlace } from "../../../meeting/PlaceChoice";
import { say } from "../../../phrases/screens/plan/table";
import { span } from "../../../phrases/time";
import { transitionWord } from "../../../phrases/transitionWord";
import { capital, depthWord, sided, zoneName } from "../../../phrases/words";
import { type Spot, zoneSpots } from "../../../tableplan/layout";
import { TablePlan } from "../../../tableplan/TablePlan";
import { useMoment } from "../../../tableplan/useMoment";
import { type Pointed, usePointed } from "../../../tideline/pointed";
import { Button } from "../../../ui/Button";
import { KeepOff } from "./KeepOff";
import { PlayTable } from "./PlayTable";

/** A step whose zone is being chosen. */
export interface ZoneChoice {
  partId: string;
  step: number;
}

interface Props {
  session: SessionView;
  /** The run sheet that the line shows: the present one, or the one of a change that is looked at. */
  sheet: RunSheet;
  selected: string | null;
  pointed: Pointed;
  onSelect(partId: string): void;
  choosing: ZoneChoice | null;
  onZone(choice: ZoneChoice, zone: string | null): void;
  /** Without it the places to keep off are only seen. */
  onKeepOff: ((places: PlacesKeptOff) => void) | undefined;
  busy: boolean;
}

/** The table as it is at the moment pointed at, played or selected, and what happens there. */
export function AtTheTable(props: Props) {
  const catalogue = useCatalogue();
  const { session, sheet, selected, pointed, choosing } = props;
  const [off, setOff] = useState<ChosenPlace | null | undefined>(undefined);
  const keepingOff = off !== undefined;
  const under = usePointed(pointed);
  const own = (choosing && entryOf(sheet, choosing.partId, choosing.step)) || undefined;
  const entry = own ?? (keepingOff ? undefined : under) ?? firstStroke(sheet, selected) ?? sheet.entries[0];
  const moment = useMoment(session, entry, catalogue);
  if (!moment || !entry) return null;
  const zonesOf = (region: string, side: Entry["side"]) =>
    zoneSpots({ region, side, position: entry.position }, catalogue.regions[region]?.zones ?? [], catalogue);
  const spots = own ? zonesOf(own.region, own.side) : off ? zonesOf(off.region, off.side) : undefined;
  const pick = (spot: Spot) => {
    if (choosing && own) props.onZone(choosing, spot.zone === own.zone ? null : spot.zone);
    else if (off) setOff({ ...off, zone: spot.zone === off.zone ? null : spot.zone });
    else if (keepingOff) setOff({ region: spot.region, side: spot.side, zone: null });
    else select(spot, sheet, props.onSelect);
  };
  const chosen = own ? own.zone : off ? off.zone : `${entry.region} ${entry.side}`;
  return (
    <section
      aria-label={say.atTable}
      className="desk:relative desk:flex desk:min-h-0 desk:flex-1 desk:flex-col desk:overflow-y-auto"
    >
      <h2 className="text-2xl desk:sr-only">{say.atTable}</h2>
      <div className="desk:min-h-28 desk:flex-1 desk:[&>svg]:h-full">
        <TablePlan
          catalogue={catalogue}
          moment={moment}
          spots={spots}
          chosen={chosen ?? null}
          onPick={pick}
        />
      </div>
      {keepingOff && props.onKeepOff && (
        <KeepOff
          session={session}
          place={off}
          busy={props.busy}
          onPlace={setOff}
          onKeepOff={props.onKeepOff}
        />
      )}
      {own && (
        <p className="text-quiet italic">
          {say.pointAtPlaceFor} {catalogue.strokes[own.stroke ?? ""]?.name}
          {say.orChooseItInList}
        </p>
      )}
      <PlayTable sheet={sheet} pointed={pointed}>
        {props.onKeepOff && (
          <Button
            look="quiet"
            className="px-2.5"
            aria-expanded={keepingOff}
            onClick={() => setOff(keepingOff ? undefined : null)}
          >
            {keepingOff ? say.doneWithPlaces : say.placesToKeepOff}
          </Button>
        )}
      </PlayTable>
      <Detail entry={entry} sheet={sheet} session={session} />
    </section>
  );
}

function entryOf(sheet: RunSheet, partId: string, step: number): Entry | undefined {
  return sheet.entries.find((entry) => entry.part_id === partId && entry.step === step);
}

function firstStroke(sheet: RunSheet, partId: string | null): Entry | undefined {
  return sheet.entries.find((entry) => entry.part_id === partId && entry.kind === "stroke");
}

/** Choose the part at which a place is worked, if it is. */
function select(spot: Spot, sheet: RunSheet, onSelect: (partId: string) => void) {
  const there = sheet.entries.find(
    (entry) =>
      entry.role === "work" &&
      entry.region === spot.region &&
      (entry.side === spot.side || entry.side === "both" || spot.side === "mid"),
  );
  if (there) onSelect(there.part_id);
}

/** What is done at the moment, in words, and what was found at its part. */
function Detail({ entry, sheet, session }: Pick<Props, "sheet" | "session"> & { entry: Entry }) {
  const catalogue = useCatalogue();
  const region = catalogue.regions[entry.region];
  const stroke = catalogue.strokes[entry.stroke ?? ""];
  const own = sheet.entries.filter((one) => one.part_id === entry.part_id && one.working);
  const seconds = own.reduce((sum, one) => sum + one.seconds, 0);
  const found = session.evaluation.findings.filter((finding) => finding.part_id === entry.part_id);
  return (
    <div className="mt-3 min-h-32 desk:hidden">
      <p>
        <span className="font-bold">{capital(region ? sided(region, entry.side) : entry.region)}</span>
        <span className="numbers text-quiet">
          {" "}
          {say.fromFor(span(own[0]?.start ?? entry.start), span(seconds))}
        </span>
      </p>
      <p>
        {stroke ? (
          <>
            {capital(stroke.name)}
            {entry.zone && `, ${zoneName(entry.zone, catalogue.regions[entry.region])}`}:{" "}
            {catalogue.tools[entry.tool ?? ""]?.name}, depth {entry.depth}, {depthWord[entry.depth ?? 1]},{" "}
            {span(entry.seconds)}
          </>
        ) : (
          `${capital(transitionWord(entry, catalogue))}, ${span(entry.seconds)}`
        )}
      </p>
      {found.map((finding) => (
        <p key={`${finding.code}${finding.step}`} className="text-accent">
          <span aria-hidden="true">△ </span>
          {capital(finding.what)}
        </p>
      ))}
    </div>
  );
}
