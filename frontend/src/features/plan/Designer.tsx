import { useQuery } from "@tanstack/react-query";
import { useCallback, useState } from "react";
import type { Edit, SessionView } from "../../api/client";
import { meQuery } from "../../api/queries";
import { useCatalogue } from "../../api/useCatalogue";
import { pointedMoment } from "../../tideline/pointed";
import { TideLine } from "../../tideline/TideLine";
import { useDesk } from "../../ui/screen/useDesk";
import { BriefSection } from "./brief/BriefSection";
import { useBegins } from "./brief/useBegins";
import { useBrief } from "./brief/useBrief";
import { PlanNotes } from "./changes/PlanNotes";
import { useAsking } from "./changes/useAsking";
import { useEditing } from "./changes/useEditing";
import { usePlanChanges } from "./changes/usePlanChanges";
import { usePreview } from "./changes/usePreview";
import { WhatWasDone } from "./changes/WhatWasDone";
import { BottomLine } from "./findings/BottomLine";
import { useMending } from "./findings/useMending";
import { PlanBody } from "./PlanBody";
import { PlanTools } from "./PlanTools";
import { QuickAdd } from "./parts/QuickAdd";
import type { PanelName } from "./side/panels";
import { SidePanel } from "./side/SidePanel";
import type { ZoneChoice } from "./table/AtTheTable";

interface Props {
  session: SessionView;
  from: string | null;
}

/** From this width in px on there is room for something beside the plan from the start. */
const WIDE = 1600;

/** Part of a desk's height that the tide has, and its bounds in px. */
const TIDE = { part: 0.34, least: 216, most: 420 };

/** The designer: the brief as a sentence, the session as a tide, the table, the list, and the line that answers. */
export function Designer({ session, from }: Props) {
  const catalogue = useCatalogue();
  const changes = usePlanChanges(session);
  const { brief, wished, change, take, putBack } = useBrief(session, changes);
  const [selected, setSelected] = useState<string | null>(null);
  const [told, setTold] = useState({ words: "", at: 0 });
  const [side, setSide] = useState<PanelName | null>(from ? "flows" : innerWidth >= WIDE ? "left_out" : null);
  const [choosing, setChoosing] = useState<ZoneChoice | null>(null);
  const [pointed] = useState(pointedMoment);
  const [desk, height] = useDesk<HTMLDivElement>();
  const setSaid = (words: string) => setTold({ words, at: session.revision });
  // What was said of a change is of no more interest after the next one.
  const said = session.revision <= told.at + 1 ? told.words : "";
  const editing = useEditing({ session, catalogue, changes, change, tell: setSaid });
  const previewing = usePreview(session.session_id, session.revision);
  const { preview, tryEdits, show, leave } = previewing;
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const mending = useMending(session.session_id, show, setSaid);
  const fixed = session.stage !== "plan";
  const asking = useAsking(session.session_id, show);
  const problem = changes.problem ?? previewing.problem ?? mending.problem ?? asking.problem;
  const begins = useBegins(session);
  const evaluation = preview?.tried.evaluation ?? session.evaluation;

  const select = useCallback((partId: string | null) => {
    setChoosing(null);
    setSelected(partId);
  }, []);
  const mends = {
    trying: mending.trying,
    onTry: fixed
      ? undefined
      : (words: string, edits: Edit[]) => {
          setSide(null);
          tryEdits(words, edits);
        },
    onTryAll: fixed ? undefined : () => mending.tryAll(undefined, { onSettled: () => setSide(null) }),
  };
  const notes = (
    <PlanNotes
      session={session}
      changes={changes}
      problem={problem}
      wished={wished}
      preview={preview}
      fixed={fixed}
      onBrief={change}
      onPutBack={() => {
        putBack();
        leave();
        mending.forget();
        asking.forget();
      }}
      onLeaveTooLate={putBack}
      onLeavePreview={leave}
    />
  );
  const beside = side && (side !== "others" || !problem) && (
    <SidePanel
      session={session}
      side={side}
      changes={changes}
      from={from}
      fixed={fixed}
      mends={mends}
      onSelect={select}
      onBrief={change}
      onAsk={asking.ask}
      asking={asking.trying}
      onTake={take}
      onClose={() => setSide(null)}
    />
  );
  const tall = height && Math.min(TIDE.most, Math.max(TIDE.least, Math.round(height * TIDE.part)));

  return (
    <div ref={desk} data-wide style={{ height }} className="desk:-mb-10 desk:flex desk:flex-col">
      <BriefSection
        session={session}
        brief={brief}
        problem={problem}
        planning={changes.changing}
        fixed={fixed}
        onChange={change}
      />
      {height === undefined && notes}
      <div
        className={`mt-4 transition-opacity duration-300 desk:mt-1 desk:shrink-0 ${changes.changing || problem ? "opacity-50" : ""}`}
      >
        <TideLine
          sheet={evaluation.sheet}
          begins={begins}
          timeZone={timeZone}
          findings={evaluation.findings}
          selected={selected}
          onSelect={select}
          pointed={pointed}
          high={tall}
          editing={fixed || preview ? undefined : editing}
        />
      </div>
      <WhatWasDone
        said={said}
        difference={problem ? null : session.difference}
        pointed={pointed}
        sheet={evaluation.sheet}
        selected={selected}
      />
      <PlanTools session={session} changes={changes} side={side} onSide={setSide} fixed={fixed}>
        {!fixed && <QuickAdd session={session} selected={selected} changes={changes} onBrief={change} />}
      </PlanTools>
      <PlanBody
        session={session}
        sheet={evaluation.sheet}
        changes={changes}
        editing={fixed ? undefined : editing}
        selected={selected}
        onSelect={select}
        choosing={choosing}
        onChooseZone={setChoosing}
        pointed={pointed}
        fixed={fixed}
        beside={
          <>
            {height !== undefined && notes}
            {beside}
          </>
        }
      />
      <BottomLine
        session={session}
        planning={changes.changing}
        open={side === "findings"}
        onOpen={(open) => setSide(open ? "findings" : null)}
        onFit={fixed ? undefined : () => changes.fit(session.plan.flow.brief).catch(() => undefined)}
      />
    </div>
  );
}
