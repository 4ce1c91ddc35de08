import { useEffect, useRef } from "react";
import type { Brief, SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { Button } from "../../../ui/Button";
import { isDesk } from "../../../ui/screen/useDesk";
import { FitToTime } from "../brief/FitToTime";
import type { PlanChanges } from "../changes/usePlanChanges";
import { FindingsPanel, type Mends } from "../findings/FindingsPanel";
import { LeftOutList } from "../findings/LeftOutList";
import { ToLayOut } from "../findings/ToLayOut";
import { YourHands } from "../findings/YourHands";
import { OtherPlans } from "../others/OtherPlans";
import { StartFrom } from "../others/StartFrom";
import { Versions } from "../others/Versions";
import type { PanelName } from "./panels";

interface Props {
  session: SessionView;
  side: PanelName;
  changes: PlanChanges;
  /** The flow that was chosen in the library for this session, if one was. */
  from: string | null;
  fixed: boolean;
  mends: Mends;
  onSelect(partId: string): void;
  onBrief(patch: Partial<Brief>): void;
  /** Shows what another brief would come to. */
  onAsk(words: string, brief: Brief): void;
  asking: boolean;
  onTake(brief: Brief): void;
  onClose(): void;
}

/** What was asked to be seen beside the plan. */
export function SidePanel(props: Props) {
  const { side, onClose } = props;
  const panel = useRef<HTMLDivElement>(null);
  // On a small screen it stands below the tide, and must come into sight.
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever another one is opened
  useEffect(() => {
    if (!isDesk()) panel.current?.scrollIntoView({ block: "nearest" });
  }, [side]);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: it only listens to what its panel lets through
    <div
      ref={panel}
      className="scroll-mb-24 scroll-mt-2"
      onKeyDown={(event) => event.key === "Escape" && onClose()}
    >
      <Button look="quiet" className="float-right px-2.5" onClick={onClose}>
        Close
      </Button>
      <Panel {...props} />
    </div>
  );
}

function Panel(props: Props) {
  const { session, side, changes, fixed, onClose } = props;
  const catalogue = useCatalogue();
  const { focus = [], leave_out = [], school } = session.plan.flow.brief;
  switch (side) {
    case "fit":
      return <FitToTime session={session} changes={changes} onDone={onClose} />;
    case "flows":
      return <StartFrom session={session} changes={changes} from={props.from} onDone={onClose} />;
    case "versions":
      return <Versions session={session} changes={changes} />;
    case "others":
      return <OtherPlans session={session} onTake={props.onTake} />;
    case "lay_out":
      return <ToLayOut evaluation={session.evaluation} />;
    case "hands":
      return <YourHands evaluation={session.evaluation} />;
    case "findings":
      return (
        <FindingsPanel
          session={session}
          findings={session.evaluation.findings}
          mends={props.mends}
          onShow={props.onSelect}
        />
      );
    case "left_out":
      return (
        <LeftOutList
          leftOut={session.plan.left_out}
          proof={session.plan.proof}
          school={catalogue.schools[school ?? ""]?.name ?? ""}
          asking={props.asking}
          onFocus={
            fixed
              ? undefined
              : (words, id) =>
                  props.onAsk(words, { ...session.plan.flow.brief, focus: [...new Set([...focus, id])] })
          }
          onAllow={
            fixed
              ? undefined
              : (id) => props.onBrief({ leave_out: leave_out.filter((other) => other !== id) })
          }
        />
      );
  }
}
