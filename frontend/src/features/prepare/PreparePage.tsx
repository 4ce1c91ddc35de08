import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "@tanstack/react-router";
import { preparationQuery } from "../../api/besideQueries";
import type { PreparedItem, SessionView } from "../../api/client";
import { catalogueQuery, meQuery, sessionQuery } from "../../api/queries";
import { useCatalogue } from "../../api/useCatalogue";
import { firstTouch } from "../../lib/firstTouch";
import { say } from "../../phrases/screens/prepare";
import { shared } from "../../phrases/screens/shared";
import { timeOfDay } from "../../phrases/time";
import { TablePlan } from "../../tableplan/TablePlan";
import { useMoment } from "../../tableplan/useMoment";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { Things } from "./Things";
import { usePreparing } from "./usePreparing";
import { Warmer } from "./Warmer";

/** The stage before the client comes: the room, the things in their order, the therapist's own minute. */
export function PreparePage() {
  const { sessionId } = useParams({ from: "/in/framed/session/$sessionId/prepare" });
  const session = useQuery(sessionQuery(sessionId));
  const preparation = useQuery(preparationQuery(sessionId));
  const catalogue = useQuery(catalogueQuery);
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const ticking = usePreparing();
  const error = preparation.error ?? catalogue.error;
  if (error) return <ProblemNote error={error} onAgain={() => preparation.refetch()} />;
  if (!session.data || !preparation.data || !catalogue.data)
    return <Waiting what={say.lookingUp} shape="columns" />;
  const { items } = preparation.data;
  const own = (one: PreparedItem) => one.thing.group === "yourself";
  const things = {
    sessionId,
    timeZone,
    onTick: (item: string, done: boolean) => ticking.mutate({ sessionId, item, done }),
  };
  const touch = new Date(firstTouch(session.data));
  return (
    <>
      <p className="mt-1 mb-3 text-lg">
        {say.comesAt(timeOfDay(session.data.starts_at, timeZone))}
        {say.firstTouchAt(timeOfDay(touch, timeZone))}
      </p>
      {ticking.error && <p role="alert">{say.notSaved}</p>}
      <div className="grid grid-cols-1 gap-x-12 gap-y-4 lg:grid-cols-[minmax(0,1fr)_22rem] 2xl:grid-cols-[minmax(0,1fr)_32rem]">
        <Things
          {...things}
          items={items.filter((one) => !own(one))}
          under={{ towels: <Warmer sessionId={sessionId} timeZone={timeZone} /> }}
        />
        <div>
          <Beginning session={session.data} />
          <Things {...things} narrow items={items.filter(own)} />
        </div>
      </div>
      <Ready
        sessionId={sessionId}
        done={items.filter(({ done_at }) => done_at !== null).length}
        all={items.length}
      />
    </>
  );
}

/** How the client lies first, and where the supports are then. */
function Beginning({ session }: { session: SessionView }) {
  const catalogue = useCatalogue();
  const moment = useMoment(session, session.evaluation.sheet.entries[0], catalogue);
  const position = catalogue.positions[session.plan.flow.parts[0]?.position ?? ""];
  if (!moment || !position) return null;
  return (
    <section aria-label={say.howTheyLie(position.name)} className="mb-3">
      <h2 className="mb-1 text-xl">{say.howTheyLie(position.name)}</h2>
      <TablePlan catalogue={catalogue} moment={moment} seesSupports />
    </section>
  );
}

function Ready({ sessionId, done, all }: { sessionId: string; done: number; all: number }) {
  return (
    <div className="no-print sticky bottom-0 z-10 mt-2 flex flex-wrap items-center justify-between gap-x-4 border-t border-base-300 bg-base-100 py-2">
      <p role="status" className="text-lg font-bold">
        {done === all ? say.allReady : say.readyOf(done, all)}
      </p>
      <Link
        to="/session/$sessionId/work"
        params={{ sessionId }}
        className="btn btn-primary min-h-12 px-6 text-lg"
      >
        {shared.toTable}
      </Link>
    </div>
  );
}
