import { useState } from "react";
import type { Entry, RunState, SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { LeftForNow } from "../../../meeting/LeftForNow";
import { shared } from "../../../phrases/screens/shared";
import { say } from "../../../phrases/screens/work/points";
import { span } from "../../../phrases/time";
import { listed, placeName } from "../../../phrases/words";
import { sidedZoneSpots } from "../../../tableplan/layout";
import { TablePlan } from "../../../tableplan/TablePlan";
import { useMoment } from "../../../tableplan/useMoment";
import { inOrder, isOpen, type SorePoint } from "../../../tableside/points";
import { treating } from "../../../tableside/treating";
import { Button } from "../../../ui/Button";
import { Overlay } from "../../../ui/Overlay";
import type { Happen } from "../run/useRun";
import { nameOf, OnePoint } from "./OnePoint";

interface Props {
  session: SessionView;
  run: RunState;
  /** The stroke that is being worked, or was last. */
  entry: Entry;
  /** Seconds of work that there are left in this part. */
  secondsLeft: number;
  /** By how much a place fell on earlier visits; the key is region, side and zone. */
  falls: Readonly<Record<string, number>>;
  happen: Happen;
  onClose(): void;
}

/** Sore points: where, how much, hold with the breath, how much now. At most three holds, and none once it rises. */
export function SorePoints(props: Props) {
  const catalogue = useCatalogue();
  const { session, run, entry, secondsLeft, falls, happen, onClose } = props;
  const { specific_ceiling: ceiling, hold_seconds: hold } = session;
  const here = run.points.filter(({ region }) => region === entry.region);
  const [chosen, setChosen] = useState<string | null>(null);
  const point = here.find(({ id }) => id === chosen) ?? null;
  function find(zone: string | null, side: Entry["side"], named: boolean) {
    const id = crypto.randomUUID();
    const { region } = entry;
    happen(() => ({ kind: "point_found", point: id, region, side, zone, named }));
    setChosen(id);
  }
  return (
    <Overlay
      label="Sore points"
      className="inset-0 grid content-start gap-4 overflow-y-auto px-5 py-5 sm:px-10"
      onClose={onClose}
    >
      <div className="flex flex-wrap items-center gap-4">
        <h2 className="text-3xl">{say.sorePoints(placeName(entry, catalogue))}</h2>
        <Button className="ml-auto min-h-14 px-6 text-xl" onClick={onClose}>
          {shared.backToStroke}
        </Button>
      </div>
      {point ? (
        <OnePoint
          key={point.id}
          point={point}
          ceiling={ceiling}
          hold={hold}
          happen={happen}
          onDone={() => setChosen(null)}
        />
      ) : (
        <>
          <LeftForNow sessionId={session.session_id} stage="work" />
          <Treating here={here} ceiling={ceiling} onChoose={setChosen} />
          <TimeFor here={here} seconds={secondsLeft} session={session} falls={falls} />
          <Finding session={session} entry={entry} onFind={find} />
        </>
      )}
    </Overlay>
  );
}

/** The points of this region in the order to treat them, and those that are done with. */
function Treating(props: { here: SorePoint[]; ceiling: number; onChoose(id: string): void }) {
  const catalogue = useCatalogue();
  const open = inOrder(props.here, props.ceiling);
  const closed = props.here.filter((point) => !isOpen(point));
  if (props.here.length === 0) return <p className="text-xl text-quiet">{say.noneYetInThisRegion}</p>;
  return (
    <ol aria-label={say.inOrderToTreatThem} className="grid gap-2">
      {[...open, ...closed].map((point) => (
        <li key={point.id}>
          <Button
            className="min-h-16 w-full max-w-2xl justify-start gap-4 px-5 text-xl font-normal"
            onClick={() => props.onChoose(point.id)}
          >
            <span className="font-bold">{nameOf(point, catalogue)}</span>
            <span className="numbers">{point.numbers.join(", ")}</span>
            {point.named && <span className="text-quiet">{say.namedByClient}</span>}
            {!isOpen(point) && <span className="text-quiet">{say.doneForToday}</span>}
          </Button>
        </li>
      ))}
    </ol>
  );
}

/** Which of several points there is time for, and what will be left for another day. */
function TimeFor(props: Pick<Props, "session" | "falls"> & { here: SorePoint[]; seconds: number }) {
  const catalogue = useCatalogue();
  const { here, seconds, session } = props;
  const falls = Object.fromEntries(
    here.map((point) => [
      point.id,
      props.falls[[point.region, point.side, point.zone].filter(Boolean).join(" ")] ?? 0,
    ]),
  );
  const {
    now,
    left,
    seconds: taken,
  } = treating(here, seconds, session.specific_ceiling, session.hold_seconds, falls);
  if (now.length + left.length < 2) return null;
  const names = (ids: string[]) =>
    listed(here.filter(({ id }) => ids.includes(id)).map((point) => nameOf(point, catalogue).toLowerCase()));
  return (
    <p role="status" aria-label={say.timeForPoints} className="text-xl">
      {now.length > 0 ? say.enoughFor(span(Math.round(seconds)), names(now), span(taken)) : say.noTimeLeft}
      {left.length > 0 && say.leftForAnotherDay(names(left))}
    </p>
  );
}

/** A new point: pointed at on the table plan, or chosen among the zones at hand. */
function Finding(props: {
  session: SessionView;
  entry: Entry;
  onFind(zone: string | null, side: Entry["side"], named: boolean): void;
}) {
  const catalogue = useCatalogue();
  const { session, entry } = props;
  const [named, setNamed] = useState(false);
  const zones = catalogue.zones_to_hold[entry.region] ?? [];
  const spots = sidedZoneSpots(entry, zones, catalogue);
  // What lies on both sides of a middle region is offered once for each.
  const choices = zones.flatMap((zone) => {
    const sides = new Set(spots.filter((spot) => spot.zone === zone).map(({ side }) => side));
    const both = sides.has("left") && sides.has("right");
    return both ? (["left", "right"] as const).map((side) => ({ zone, side })) : [{ zone, side: entry.side }];
  });
  const moment = useMoment(session, entry, catalogue);
  return (
    <section aria-label={say.newPoint} className="grid gap-3 lg:grid-cols-2">
      <div>
        <p className="text-xl">{say.isThatTheSpot}</p>
        <label className="flex min-h-14 items-center gap-3 text-xl">
          <input
            type="checkbox"
            className="checkbox"
            checked={named}
            onChange={(event) => setNamed(event.target.checked)}
          />
          {say.clientNamedIt}
        </label>
        <div
          className={
            choices.length > zones.length ? "mt-2 grid grid-cols-2 gap-2" : "mt-2 flex flex-wrap gap-2"
          }
        >
          {choices.map(({ zone, side }) => (
            <Button
              key={`${zone} ${side}`}
              className="min-h-14 text-xl font-normal"
              onClick={() => props.onFind(zone, side, named)}
            >
              {nameOf({ region: entry.region, side, zone }, catalogue)}
            </Button>
          ))}
        </div>
      </div>
      {moment && (
        <TablePlan
          catalogue={catalogue}
          moment={moment}
          spots={spots}
          onPick={(spot) => props.onFind(spot.zone, spot.side, named)}
        />
      )}
    </section>
  );
}
