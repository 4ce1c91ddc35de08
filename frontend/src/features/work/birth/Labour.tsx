import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/work/birth";
import { cueFor } from "../../../phrases/table/cues";
import { span } from "../../../phrases/time";
import type { Moment } from "../../../tableplan/moment";
import { timing } from "../../../tableside/contractions";
import { isOn, roundOver, roundStart } from "../../../tableside/labour";
import { owed } from "../../../tableside/owed";
import { elapsed } from "../../../tableside/progress";
import { Button } from "../../../ui/Button";
import { Overlays } from "../Overlays";
import { Unsent } from "../run/Unsent";
import type { TableActs } from "../run/useTable";
import { moved } from "../run/useTable";
import { PADS } from "../said/PressurePads";
import type { ChangeSettings, TableSettings } from "../settings/useTableSettings";
import { Plain } from "../stroke/Plain";
import { Asks, How, Name, Place } from "../stroke/Stage";
import { TapZones } from "../stroke/TapZones";
import { Water } from "../stroke/Water";
import { TopBar } from "../TopBar";
import type { AtTheTableProps } from "../tableProps";
import { Ending } from "../undone/Ending";

interface Props extends AtTheTableProps {
  table: TableActs;
  settings: TableSettings;
  onSettings: ChangeSettings;
  moment: Moment | null;
  now: number;
}

/** Seconds that a contraction, or the rest between two, is taken to last until one is known. */
const USUAL_LENGTH = 60;
const USUAL_SPACING = 300;

/** Beside a birthing person: one large button for one thumb; what is done changes with the contraction by itself. */
export function Labour(props: Props) {
  const { session, run, happen, table, settings, moment, now } = props;
  const catalogue = useCatalogue();
  const { sheet } = session.evaluation;
  const { shown } = table;
  const on = isOn(run);
  const last = run.contractions.at(-1);
  const told = timing(run.contractions);
  if (!shown) return null;
  const since = last ? (now - Date.parse(on ? last.began_at : (last.ended_at ?? last.began_at))) / 1000 : 0;
  const usual = on ? (told.length ?? USUAL_LENGTH) : (told.spacing ?? USUAL_SPACING);
  const cue = cueFor(shown, catalogue);
  const minutes = Math.floor(elapsed(run, now) / 60);
  return (
    <div data-at={run.entry} className="relative flex h-dvh flex-col overflow-hidden">
      <Water level={last ? Math.max(0, 1 - since / usual) : 0} />
      <TopBar
        session={session}
        run={run}
        owed={0}
        pace={minutes < 1 ? "Just begun" : say.minSoFar(minutes)}
        advances={settings.advances}
        onPause={() => happen(() => ({ kind: "paused" }))}
        onResume={() => happen(() => ({ kind: "resumed" }))}
        onSettings={() => table.lay("settings")}
        onHalt={() => table.lay("halt")}
      />
      <Unsent {...props} footSwitchLost={false} />
      {told.call && (
        <p role="alert" className="relative z-20 px-6 py-2 text-center text-2xl font-bold text-accent">
          {say.callNow}
        </p>
      )}
      <div className="relative flex min-h-0 flex-1">
        <TapZones first={run.entry === 0} onBack={table.back} onOn={table.on} />
        <div className="pointer-events-none relative z-10 flex w-full flex-col items-center justify-center gap-[2cqh] [container-type:size] px-4 text-center sm:px-24">
          {table.ending ? (
            <Ending owed={owed(sheet, run)} />
          ) : settings.plain ? (
            <Plain moment={moment} entry={shown} />
          ) : (
            <>
              <Place>{on ? say.nowOnHerWord(cue.place.toLowerCase()) : cue.place}</Place>
              <Name>{cue.name}</Name>
              {cue.asks && <Asks>{cue.asks}</Asks>}
              <How>{cue.how}</How>
            </>
          )}
          {roundOver(sheet, run) && !table.ending && (
            <Button
              className="pointer-events-auto h-20 px-8 text-2xl"
              onClick={() => happen(() => moved(sheet, roundStart(sheet)))}
            >
              Another round
            </Button>
          )}
        </div>
      </div>
      <div className="relative z-10 grid gap-3 px-4 pb-4 text-center">
        <div>
          <p className="numbers text-[clamp(1.2rem,2.2vw,2rem)]" role="status">
            {[
              told.length !== null && say.lastLong(span(told.length)),
              told.spacing !== null && say.apart(span(told.spacing)),
              run.contractions.length > 0 && say.timed(run.contractions.length),
            ]
              .filter(Boolean)
              .join(" · ") || say.timeThemHere}
          </p>
          <p className="text-lg text-quiet">{say.whenToCallEarlier}</p>
        </div>
        <Button
          className={`h-[18vh] min-h-32 w-full text-[clamp(1.8rem,4vw,3.4rem)] ${on ? "btn-accent" : "btn-primary"}`}
          onClick={() => happen(() => ({ kind: on ? "contraction_ended" : "contraction_began" }))}
        >
          {on ? say.itHasPassed(span(Math.max(0, since))) : say.contractionBegins}
        </Button>
        <div className="grid grid-cols-3 gap-3">
          {PADS.map(({ word, name }) => (
            <Button
              key={word}
              className="min-h-24 bg-base-100/70 text-xl font-normal"
              disabled={!table.working}
              onClick={() => table.say(word)}
            >
              {name}
            </Button>
          ))}
        </div>
      </div>
      <Overlays {...props} side={undefined} />
    </div>
  );
}
