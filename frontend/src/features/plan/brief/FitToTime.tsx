import { useState } from "react";
import { type Adjustment, Problem, type SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { DifferenceList } from "../../../compare/DifferenceList";
import { say } from "../../../phrases/screens/plan/brief";
import { shared } from "../../../phrases/screens/shared";
import { SmallTide } from "../../../tideline/SmallTide";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { useWidth } from "../../../ui/screen/useWidth";
import { Waiting } from "../../../ui/Waiting";
import type { PlanChanges } from "../changes/usePlanChanges";
import { Offers } from "./Offers";
import { useFit } from "./useFit";

const LATE = [5, 10, 15, 20];

interface Props {
  session: SessionView;
  changes: PlanChanges;
  onDone(): void;
}

/** The present plan for a late client or another length, with the least change; it can be taken or left. */
export function FitToTime({ session, changes, onDone }: Props) {
  const catalogue = useCatalogue();
  const { tried, working, problem, attempt, take, leave } = useFit(session.session_id, changes);
  const brief = session.plan.flow.brief;
  const booked = brief.booked_minutes;
  const usual = (catalogue.kinds[brief.kind ?? ""]?.usual_minutes ?? []).filter((m) => m !== booked);
  const [late, setLate] = useState(0);
  const attemptMinutes = (booked_minutes: number, lateBy = 0) => {
    setLate(lateBy);
    attempt({ ...brief, booked_minutes });
  };
  return (
    <section aria-label={say.fitToTime} className="mt-3 rounded-box bg-base-200 px-5 py-4">
      <p className="max-w-[60ch]">{say.whatFittingDoes}</p>
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <span className="mr-1">{say.clientIsLateBy}</span>
        {LATE.filter((minutes) => booked - minutes >= 10).map((minutes) => (
          <Button
            key={minutes}
            className="bg-base-300"
            onClick={() => attemptMinutes(booked - minutes, minutes)}
          >
            {shared.minutes(minutes)}
          </Button>
        ))}
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <span className="mr-1">Make it</span>
        {[...new Set([30, 45, ...usual])]
          .filter((minutes) => minutes !== booked)
          .sort((a, b) => a - b)
          .map((minutes) => (
            <Button key={minutes} className="bg-base-300" onClick={() => attemptMinutes(minutes)}>
              {shared.minutes(minutes)}
            </Button>
          ))}
      </div>
      {working && <Waiting what={say.fittingSession} />}
      {problem && <ProblemNote error={problem} />}
      {problem instanceof Problem && (
        <Offers
          offers={problem.document.offers ?? []}
          onTake={(change) => {
            // Other minutes than those that are left after the lateness are another wish.
            if (change.booked_minutes !== undefined) setLate(0);
            attempt({ ...brief, ...change });
          }}
        />
      )}
      {tried && !working && (
        <Preview
          tried={tried}
          session={session}
          onTake={() => take(tried.plan.flow.brief, late).then((taken) => taken && onDone())}
          onLeave={leave}
        />
      )}
    </section>
  );
}

const [NAMES, WIDEST] = [64, 480];

function Preview(props: { tried: Adjustment; session: SessionView; onTake(): void; onLeave(): void }) {
  const { tried, session } = props;
  const [now, then] = [session.evaluation.sheet, tried.evaluation.sheet];
  const longest = Math.max(now.seconds, then.seconds);
  const [ref, room] = useWidth<HTMLDivElement>(WIDEST);
  const width = Math.min(WIDEST, room - NAMES);
  const minutes = tried.plan.flow.brief.booked_minutes;
  return (
    <div role="status" className="mt-5">
      <h3 className="text-xl">{shared.minutesWithLeastChange(minutes)}</h3>
      <div className="mt-2 grid gap-x-10 gap-y-3 lg:grid-cols-2">
        <div
          ref={ref}
          className="grid grid-cols-[auto_minmax(0,1fr)] content-start items-center gap-x-4 overflow-hidden text-quiet"
        >
          <span>Now</span>
          <SmallTide sheet={now} width={(width * now.seconds) / longest} height={64} />
          <span>Then</span>
          <SmallTide sheet={then} width={(width * then.seconds) / longest} height={64} />
        </div>
        <div>
          <DifferenceList difference={tried.difference} />
        </div>
      </div>
      <div className="mt-4 flex flex-wrap gap-3">
        <Button look="main" onClick={props.onTake}>
          Use it
        </Button>
        <Button className="bg-base-300" onClick={props.onLeave}>
          {shared.leaveItAsItIs}
        </Button>
      </div>
    </div>
  );
}
