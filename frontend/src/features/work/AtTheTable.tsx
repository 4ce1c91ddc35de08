import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import type { RunState, SessionView, TableSide } from "../../api/client";
import { tableSideQuery } from "../../api/queries";
import { useCatalogue } from "../../api/useCatalogue";
import { say } from "../../phrases/screens/work/page";
import { cueFor } from "../../phrases/table/cues";
import { progressWords } from "../../phrases/table/giving";
import { TablePlan } from "../../tableplan/TablePlan";
import { useMoment } from "../../tableplan/useMoment";
import { owed } from "../../tableside/owed";
import { pastLeftOut } from "../../tableside/past";
import { behind, progress, waterLevel } from "../../tableside/progress";
import { neighbour } from "../../tableside/schedule";
import { Labour } from "./birth/Labour";
import { Giving } from "./giving/Giving";
import { LiftTable } from "./machines/LiftTable";
import { Overlays } from "./Overlays";
import { Unsent } from "./run/Unsent";
import { useFootSwitch } from "./run/useFootSwitch";
import { useNow } from "./run/useNow";
import { useTable } from "./run/useTable";
import { PressurePads } from "./said/PressurePads";
import { useTableSettings } from "./settings/useTableSettings";
import { Horizon } from "./stroke/Horizon";
import { Plain } from "./stroke/Plain";
import { Stage } from "./stroke/Stage";
import { TapZones } from "./stroke/TapZones";
import { Water } from "./stroke/Water";
import { TopBar } from "./TopBar";
import type { AtTheTableProps } from "./tableProps";
import { Ending } from "./undone/Ending";

/** One stroke at a time, in letters to be read from a step away; the water falls as its part's time runs out. */
export function AtTheTable(props: AtTheTableProps) {
  const { run, happen, clock } = props;
  const catalogue = useCatalogue();
  const side = useQuery(tableSideQuery(props.session.session_id));
  const session = useBent(props.session, run, side.data);
  const { sheet } = session.evaluation;
  const now = useNow(1000, clock);
  const [settings, change] = useTableSettings(session.plan.flow.brief.plain_words ?? false);
  const [leaving, setLeaving] = useState(false);
  const table = useTable({ session, catalogue, run, happen, side: side.data, settings });
  const lost = useFootSwitch(settings.footSwitch);
  const moment = useMoment(session, table.shown, catalogue);
  const { shown, working } = table;
  if (!shown) return null;
  if (sheet.open_ended)
    return (
      <Labour
        {...props}
        session={session}
        table={table}
        settings={settings}
        onSettings={change}
        moment={moment}
        now={now}
      />
    );
  const next = sheet.entries[table.addition ? run.entry : neighbour(sheet, run, 1)];
  const nextCue = next && next !== shown ? cueFor(next, catalogue) : null;

  return (
    <div className="relative flex h-dvh flex-col overflow-hidden">
      <Water level={waterLevel(run, sheet, now)} />
      <TopBar
        session={session}
        run={run}
        owed={owed(sheet, run).length}
        pace={progressWords(behind(run, sheet, now))}
        advances={settings.advances}
        onAdvances={() => change({ advances: !settings.advances })}
        onPause={() => happen(() => ({ kind: "paused" }))}
        onResume={() => happen(() => ({ kind: "resumed" }))}
        onLeaving={() => setLeaving(!leaving)}
        onSettings={() => table.lay("settings")}
        onHalt={() => table.lay("halt")}
      />
      <Giving
        session={session}
        run={run}
        now={now}
        happen={happen}
        side={side.data}
        unknown={Boolean(side.error)}
        leaving={leaving}
        onLeaving={setLeaving}
      />
      <Unsent {...props} footSwitchLost={lost} />
      <div className="px-5 sm:px-8">
        {!table.ending && <LiftTable entry={shown} brief={session.plan.flow.brief} />}
      </div>
      <div className="relative flex min-h-0 flex-1">
        <TapZones first={run.entry === 0 && !table.addition} onBack={table.back} onOn={table.on} />
        <div
          data-at={table.ending ? "end" : `${run.adding ?? ""} ${shown.address}`}
          className="pointer-events-none relative z-10 flex w-full flex-col items-center justify-center gap-[2cqh] [container-type:size] px-4 text-center sm:px-24"
        >
          {table.ending ? (
            <Ending owed={owed(sheet, run)} />
          ) : settings.plain ? (
            <Plain moment={moment} entry={shown} />
          ) : (
            <Stage
              session={session}
              run={run}
              entry={shown}
              clock={clock}
              extra={table.extra}
              start={
                shown.kind === "stroke" && shown.role === "work" ? side.data?.starts[shown.region] : undefined
              }
              askEarly={
                shown.kind === "stroke" &&
                (side.data?.ask_early.includes(shown.region) ?? false) &&
                !run.said.some(({ region }) => region === shown.region)
              }
            />
          )}
        </div>
        {moment && !settings.plain && (
          <div className="pointer-events-none relative z-10 mr-28 hidden w-[14rem] shrink-0 self-center lg:block xl:w-[19rem] min-[1500px]:w-[26rem]">
            <TablePlan catalogue={catalogue} moment={moment} />
          </div>
        )}
      </div>
      <p className="relative z-10 px-5 pb-2 text-center text-[clamp(1.1rem,1.9vw,1.8rem)] text-quiet">
        {nextCue ? `Next: ${nextCue.name}, ${nextCue.place.toLowerCase()}` : say.lastHold}
      </p>
      <Horizon at={progress(run, sheet)} />
      <PressurePads
        disabled={!working}
        last={run.said.filter((saying) => saying.region === shown.region).at(-1)?.word}
        points={run.points.filter(({ region }) => region === shown.region).length}
        onSay={table.say}
        onPoint={table.point}
        onHappened={() => table.lay("happened")}
      />
      <Overlays {...props} table={table} side={side.data} settings={settings} onSettings={change} now={now} />
    </div>
  );
}

/** The session with its sheet as it stands once parts have been left out. */
function useBent(session: SessionView, run: RunState, side: TableSide | undefined): SessionView {
  const { allotted } = run;
  return useMemo(() => {
    const sheet = pastLeftOut(session.evaluation.sheet, allotted, side?.ways);
    return { ...session, evaluation: { ...session.evaluation, sheet } };
  }, [session, allotted, side]);
}
