import { useQuery } from "@tanstack/react-query";
import { useCallback, useState } from "react";
import type { Edit, SessionView } from "../../api/client";
import { meQuery } from "../../api/queries";
import { useCatalogue } from "../../api/useCatalogue";
import { say } from "../../phrases/screens/plan/page";
import { pointedMoment } from "../../tideline/pointed";
import { TideLine } from "../../tideline/TideLine";
import { useLater } from "../../ui/useLater";
import { BriefProblem } from "./brief/BriefProblem";
import { BriefSentence } from "./brief/BriefSentence";
import { useBegins } from "./brief/useBegins";
import { useBrief } from "./brief/useBrief";
import { PreviewNote } from "./changes/PreviewNote";
import { StandingNotes } from "./changes/StandingNotes";
import { TooLateNote } from "./changes/TooLateNote";
import { useEditing } from "./changes/useEditing";
import { usePlanChanges } from "./changes/usePlanChanges";
import { usePreview } from "./changes/usePreview";
import { WhatWasDone } from "./changes/WhatWasDone";
import { BottomLine } from "./findings/BottomLine";
import { LeftOutList } from "./findings/LeftOutList";
import { SideNotes } from "./findings/SideNotes";
import { useMending } from "./findings/useMending";
import { OtherPlans } from "./others/OtherPlans";
import { PlanTools } from "./PlanTools";
import { changeStep } from "./parts/edits";
import { FlowList } from "./parts/FlowList";
import { QuickAdd } from "./parts/QuickAdd";
import { wayUp } from "./parts/sequence";
import { AtTheTable, type ZoneChoice } from "./table/AtTheTable";

interface Props {
  session: SessionView;
  from: string | null;
}

/** The designer: the brief as a sentence, the session as a tide, the table, the list, and the line that answers. */
export function Designer({ session, from }: Props) {
  const catalogue = useCatalogue();
  const changes = usePlanChanges(session);
  const { brief, wished, change, take, putBack } = useBrief(session, changes);
  const [selected, setSelected] = useState<string | null>(null);
  const [told, setTold] = useState({ words: "", at: 0 });
  const [looking, setLooking] = useState(false);
  const [choosing, setChoosing] = useState<ZoneChoice | null>(null);
  const [pointed] = useState(pointedMoment);
  const setSaid = (words: string) => setTold({ words, at: session.revision });
  // What was said of a change is of no more interest after the next one.
  const said = session.revision <= told.at + 1 ? told.words : "";
  const editing = useEditing({ session, catalogue, changes, change, tell: setSaid });
  const {
    preview,
    problem: untried,
    tryEdits,
    show,
    leave,
  } = usePreview(session.session_id, session.revision);
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const mending = useMending(session.session_id, show, setSaid);
  const fixed = session.stage !== "plan";
  const problem = changes.problem ?? untried ?? mending.problem;
  const { focus = [], leave_out = [], school } = brief;
  const begins = useBegins(session);
  const later = useLater();
  const evaluation = preview?.tried.evaluation ?? session.evaluation;
  const { parts } = session.plan.flow;

  const select = useCallback((partId: string | null) => {
    setChoosing(null);
    setSelected(partId);
  }, []);
  function look(words: string, edits: Edit[]) {
    setLooking(false);
    tryEdits(words, edits);
  }
  const lookAtAll = () => mending.tryAll(undefined, { onSettled: () => setLooking(false) });
  function give({ partId, step }: ZoneChoice, zone: string | null) {
    const part = parts.find((one) => one.id === partId);
    if (part) changes.edit(changeStep(part, step, zone ? { zone } : { clear: ["zone"] }));
  }

  return (
    <>
      <section aria-label="Brief">
        <BriefSentence
          brief={brief}
          wayUp={wayUp(parts, catalogue)}
          problem={problem}
          fixed={fixed}
          onChange={change}
        />
        {fixed && <p className="text-quiet italic">{say.planStands}</p>}
        <p role="status" className="sr-only">
          {changes.changing ? "Planning" : problem ? say.planWasNotChanged : say.planIsUpToDate}
        </p>
        {problem && (
          <BriefProblem
            problem={problem}
            wished={wished}
            onTake={change}
            onPutBack={() => {
              putBack();
              leave();
              mending.forget();
            }}
          />
        )}
      </section>
      {changes.tooLate && (
        <TooLateNote
          sessionId={session.session_id}
          tooLate={changes.tooLate}
          onLeave={putBack}
          onInsist={changes.insist}
        />
      )}
      {!fixed && <StandingNotes session={session} changes={changes} onTold={() => wished && change({})} />}
      {preview && (
        <PreviewNote
          preview={preview}
          findings={session.evaluation.findings.length}
          onTake={() => changes.edit(preview.edits, preview.words)}
          onLeave={leave}
        />
      )}
      <div
        className={`mt-4 transition-opacity duration-300 ${changes.changing || problem ? "opacity-50" : ""}`}
      >
        <TideLine
          sheet={evaluation.sheet}
          begins={begins}
          timeZone={timeZone}
          findings={evaluation.findings}
          selected={selected}
          onSelect={select}
          pointed={pointed}
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
      <PlanTools session={session} changes={changes} from={from} fixed={fixed} />
      {later && (
        <>
          <div className="mt-6 grid gap-10 lg:grid-cols-[minmax(0,1.45fr)_minmax(0,1fr)]">
            <div>
              {!fixed && (
                <div className="no-print mb-4">
                  <QuickAdd session={session} selected={selected} changes={changes} onBrief={change} />
                </div>
              )}
              <FlowList
                session={session}
                selected={selected}
                onSelect={select}
                onEdit={fixed ? undefined : changes.edit}
                editing={fixed ? undefined : editing}
                choosing={choosing}
                onChooseZone={setChoosing}
              />
            </div>
            <div className="max-lg:order-first">
              <div className="lg:sticky lg:top-2">
                <AtTheTable
                  session={session}
                  sheet={evaluation.sheet}
                  selected={selected}
                  pointed={pointed}
                  onSelect={select}
                  choosing={choosing}
                  onZone={give}
                  onKeepOff={
                    fixed ? undefined : (places) => void changes.keepOff(places).catch(() => undefined)
                  }
                  busy={changes.changing}
                />
              </div>
            </div>
          </div>
          <div className="mt-8 grid gap-10 lg:grid-cols-2">
            <LeftOutList
              leftOut={session.plan.left_out}
              proof={session.plan.proof}
              school={catalogue.schools[school ?? ""]?.name ?? ""}
              onFocus={fixed ? undefined : (id) => change({ focus: [...focus, id] })}
              onAllow={
                fixed ? undefined : (id) => change({ leave_out: leave_out.filter((other) => other !== id) })
              }
            />
            <SideNotes evaluation={session.evaluation} />
          </div>
          {!fixed && !problem && <OtherPlans session={session} onTake={take} />}
        </>
      )}
      <BottomLine
        session={session}
        planning={changes.changing}
        open={looking}
        onOpen={setLooking}
        onShow={(partId) => {
          setLooking(false);
          select(partId);
        }}
        onTry={fixed ? undefined : look}
        onTryAll={fixed ? undefined : lookAtAll}
        onFit={fixed ? undefined : () => changes.fit(session.plan.flow.brief).catch(() => undefined)}
        trying={mending.trying}
      />
    </>
  );
}
