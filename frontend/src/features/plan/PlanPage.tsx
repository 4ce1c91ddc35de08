import { useQuery } from "@tanstack/react-query";
import { useParams } from "@tanstack/react-router";
import { useState } from "react";
import { type Catalogue, type Difference, type Edit, Problem, type SessionView } from "../../api/client";
import { catalogueQuery, meQuery, sessionQuery } from "../../api/queries";
import { TideLine } from "../../tideline/TideLine";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { BriefSentence } from "./BriefSentence";
import { keptWords, whatMoved } from "./difference";
import { FindingsList } from "./FindingsList";
import { FitLine } from "./FitLine";
import { FitToTime } from "./FitToTime";
import { FlowList } from "./FlowList";
import { KeysOfPlan } from "./KeysOfPlan";
import { LeftOutList } from "./LeftOutList";
import { Offers } from "./Offers";
import { OtherPlans } from "./OtherPlans";
import { SideNotes } from "./SideNotes";
import { wayUp } from "./sequence";
import { mirrorEdits, moveEdits } from "./stopEdits";
import { TakeBack } from "./TakeBack";
import { useBrief } from "./useBrief";
import { usePlanChanges } from "./usePlanChanges";

export function PlanPage() {
  const { sessionId } = useParams({ from: "/in/framed/session/$sessionId/plan" });
  const session = useQuery(sessionQuery(sessionId));
  const catalogue = useQuery(catalogueQuery);
  if (catalogue.error) return <ProblemNote error={catalogue.error} onAgain={() => catalogue.refetch()} />;
  if (!session.data || !catalogue.data) return <Waiting what="Laying out the session" />;
  return <Designer session={session.data} catalogue={catalogue.data} />;
}

function Designer({ session, catalogue }: { session: SessionView; catalogue: Catalogue }) {
  const { brief, planning: replanning, problem: refused, change, take, putBack } = useBrief(session);
  const changes = usePlanChanges(session);
  const planning = replanning || changes.changing;
  const problem = refused ?? changes.problem;
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const [selected, setSelected] = useState<string | null>(null);
  const fixed = session.stage !== "plan";
  const before = catalogue.kinds[session.plan.flow.brief.kind ?? ""]?.before_minutes ?? 0;
  const begins = new Date(new Date(session.starts_at).getTime() + before * 60_000);
  const { school, focus = [], leave_out = [] } = brief;
  const { stops } = session.plan.flow;
  const editIfAny = (edits: Edit[]) => edits.length > 0 && changes.edit(edits);
  return (
    <>
      <section aria-label="Brief">
        <BriefSentence
          brief={brief}
          catalogue={catalogue}
          wayUp={wayUp(session.plan.flow.stops, catalogue)}
          problem={problem}
          fixed={fixed}
          onChange={change}
        />
        {fixed && <p className="text-quiet italic">This session has begun, so its plan stands.</p>}
        <p role="status" className="sr-only">
          {planning ? "Planning" : problem ? "The plan was not changed" : "The plan is up to date"}
        </p>
        {problem ? (
          <>
            <ProblemNote error={problem} />
            {problem instanceof Problem && <Offers offers={problem.document.offers ?? []} onTake={change} />}
            <button
              type="button"
              className="btn"
              onClick={() => {
                putBack();
                changes.forget();
              }}
            >
              Put the brief back as it was planned
            </button>
          </>
        ) : null}
      </section>
      <div className={`mt-4 transition-opacity duration-300 ${planning || problem ? "opacity-50" : ""}`}>
        <TideLine
          sheet={session.evaluation.sheet}
          catalogue={catalogue}
          begins={begins}
          timeZone={timeZone}
          findings={session.evaluation.findings}
          selected={selected}
          onSelect={setSelected}
          onReshape={fixed ? undefined : changes.reshape}
          onMove={fixed ? undefined : (id, by) => editIfAny(moveEdits(stops, id, by))}
          onMirror={fixed ? undefined : (id) => editIfAny(mirrorEdits(stops, id))}
          onLeaveOut={
            fixed
              ? undefined
              : (id) =>
                  change({ leave_out: [...leave_out, id], focus: focus.filter((other) => other !== id) })
          }
        />
      </div>
      {!fixed && (
        <FitToTime session={session} catalogue={catalogue}>
          <TakeBack session={session} changes={changes} />
          <KeysOfPlan />
          {!problem && session.difference && (
            <Changed difference={session.difference} catalogue={catalogue} />
          )}
        </FitToTime>
      )}
      {!fixed && !problem && <OtherPlans session={session} catalogue={catalogue} onTake={take} />}
      <FindingsList
        findings={session.evaluation.findings}
        catalogue={catalogue}
        onShow={setSelected}
        onMend={fixed ? undefined : changes.edit}
      />
      <div className="mt-6 grid gap-10 lg:grid-cols-[minmax(0,1.7fr)_minmax(0,1fr)]">
        <FlowList
          session={session}
          catalogue={catalogue}
          selected={selected}
          onSelect={setSelected}
          onEdit={fixed ? undefined : changes.edit}
        />
        <div>
          <LeftOutList
            leftOut={session.plan.left_out}
            proof={session.plan.proof}
            school={catalogue.schools[school ?? ""]?.name ?? ""}
            catalogue={catalogue}
            onFocus={fixed ? undefined : (id) => change({ focus: [...focus, id] })}
            onAllow={
              fixed ? undefined : (id) => change({ leave_out: leave_out.filter((other) => other !== id) })
            }
          />
          <SideNotes evaluation={session.evaluation} catalogue={catalogue} />
        </div>
      </div>
      <FitLine session={session} planning={planning} />
    </>
  );
}

/** What the change just made has moved, what was set by hand that it kept, and what it could not keep. */
function Changed({ difference, catalogue }: { difference: Difference; catalogue: Catalogue }) {
  const name = (id: string) => catalogue.regions[id]?.whole ?? id;
  const moved = whatMoved(difference, name);
  return (
    <p role="status" className="text-quiet">
      {[moved && `${moved}.`, ...keptWords(difference, name)].filter(Boolean).join(" ")}
    </p>
  );
}
