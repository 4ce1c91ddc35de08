import type { ReactNode } from "react";
import type { RunSheet, SessionView } from "../../api/client";
import type { TideEditing } from "../../tideline/hand/editing";
import type { Pointed } from "../../tideline/pointed";
import { useLater } from "../../ui/useLater";
import type { PlanChanges } from "./changes/usePlanChanges";
import { changeStep } from "./parts/edits";
import { FlowList } from "./parts/FlowList";
import { AtTheTable, type ZoneChoice } from "./table/AtTheTable";

interface Props {
  session: SessionView;
  sheet: RunSheet;
  changes: PlanChanges;
  /** Without it the list is only read. */
  editing: TideEditing | undefined;
  selected: string | null;
  onSelect(partId: string | null): void;
  choosing: ZoneChoice | null;
  onChooseZone(choice: ZoneChoice | null): void;
  pointed: Pointed;
  fixed: boolean;
  /** What stands beside list and table; on a small screen above them. */
  beside: ReactNode;
}

/** Below the tide: the list, the table, and what was asked to be seen beside them. On a desk each scrolls by itself. */
export function PlanBody(props: Props) {
  const { session, changes, fixed, selected, onSelect, choosing, onChooseZone } = props;
  const later = useLater();
  const { parts } = session.plan.flow;
  function give({ partId, step }: ZoneChoice, zone: string | null) {
    const part = parts.find((one) => one.id === partId);
    if (part) changes.edit(changeStep(part, step, zone ? { zone } : { clear: ["zone"] }));
  }
  return (
    <div className="mt-4 flex flex-col gap-x-10 gap-y-6 lg:flex-row lg:flex-wrap desk:mt-2 desk:min-h-44 desk:flex-1 desk:flex-nowrap desk:gap-x-8">
      <div className="empty:hidden lg:w-full desk:order-last desk:w-[25rem] desk:shrink-0 desk:overflow-y-auto desk:pr-1 2xl:desk:w-[30rem]">
        {props.beside}
      </div>
      {later && (
        <>
          <div className="min-w-0 max-lg:order-last lg:flex-[1.45] desk:overflow-y-auto desk:pr-2">
            <FlowList
              session={session}
              selected={selected}
              onSelect={onSelect}
              onEdit={fixed ? undefined : changes.edit}
              editing={props.editing}
              choosing={choosing}
              onChooseZone={onChooseZone}
            />
          </div>
          <div className="min-w-0 lg:flex-1 desk:flex desk:flex-col">
            <AtTheTable
              session={session}
              sheet={props.sheet}
              selected={selected}
              pointed={props.pointed}
              onSelect={onSelect}
              choosing={choosing}
              onZone={give}
              onKeepOff={fixed ? undefined : (places) => void changes.keepOff(places).catch(() => undefined)}
              busy={changes.changing}
            />
          </div>
        </>
      )}
    </div>
  );
}
