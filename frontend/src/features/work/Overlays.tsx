import type { TableSide } from "../../api/client";
import { partSecondsLeft } from "../../tableside/progress";
import { Halt } from "./halt/Halt";
import { SorePoints } from "./points/SorePoints";
import type { TableActs } from "./run/useTable";
import { Happened } from "./said/Happened";
import { Settings } from "./settings/Settings";
import type { ChangeSettings, TableSettings } from "./settings/useTableSettings";
import type { AtTheTableProps } from "./tableProps";
import { AddRegion } from "./undone/AddRegion";
import { Undone } from "./undone/Undone";

interface Props extends AtTheTableProps {
  table: TableActs;
  side: TableSide | undefined;
  settings: TableSettings;
  onSettings: ChangeSettings;
  now: number;
}

/** What lies over the stroke, one at a time. */
export function Overlays(props: Props) {
  const { session, run, happen, table, side, now } = props;
  const { sheet } = session.evaluation;
  const close = () => table.lay(null);
  switch (table.over) {
    case "sore":
      return table.working ? (
        <SorePoints
          session={session}
          run={run}
          entry={table.working}
          secondsLeft={partSecondsLeft(run, sheet, now)}
          falls={side?.falls ?? {}}
          happen={happen}
          onClose={close}
        />
      ) : null;
    case "happened":
      return (
        <Happened
          working={Boolean(table.working)}
          onSee={(sign) => table.about(({ region, side }) => ({ kind: "observed", sign, region, side }))}
          onPoint={table.point}
          onSkip={table.skip}
          onSkipRegion={table.skipRegion}
          passage={table.passage}
          onSkipPassage={table.skipPassage}
          onAdd={() => table.lay("adding")}
          onClose={close}
        />
      );
    case "undone":
      return (
        <Undone
          entries={table.debts.owed}
          onNow={table.debts.now}
          onLater={table.debts.later}
          onWaive={table.debts.waive}
        />
      );
    case "adding":
      return table.shown ? (
        <AddRegion entry={table.shown} extras={side?.extras ?? []} onAdd={table.add} onClose={close} />
      ) : null;
    case "settings":
      return <Settings settings={props.settings} onChange={props.onSettings} onClose={close} />;
    case "halt":
      return <Halt onHalt={(reason) => happen(() => ({ kind: "halted", reason }))} onClose={close} />;
    default:
      return null;
  }
}
