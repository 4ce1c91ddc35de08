import { useQuery } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { useState } from "react";
import type { Catalogue, FlowView } from "../../api/client";
import { dayQuery } from "../../api/dayQueries";
import { useCatalogue } from "../../api/useCatalogue";
import { say } from "../../phrases/screens/flows";
import { shared } from "../../phrases/screens/shared";
import { timeOfDay } from "../../phrases/time";
import { listed } from "../../phrases/words";
import { SmallTide } from "../../tideline/SmallTide";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { DescribeFlow } from "./DescribeFlow";
import { useLibrary } from "./useLibrary";

interface Props {
  flow: FlowView;
  /** Pixels for a minute: all thumbnails run on one clock. */
  perMinute: number;
  compared: boolean;
  onCompare(): void;
}

/** A flow of the library: its tide, what it is good for, and what can be done with it. */
export function FlowRow({ flow, perMinute, compared, onCompare }: Props) {
  const catalogue = useCatalogue();
  const { describe, copy, problem } = useLibrary(flow);
  const [open, setOpen] = useState<"use" | "describe" | null>(null);
  const toggle = (what: "use" | "describe") => setOpen(open === what ? null : what);
  return (
    <li className="border-t border-base-300 py-4">
      <div className="grid items-center gap-x-8 gap-y-2 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)]">
        <div>
          <h3 className="text-xl">
            {flow.name}
            {flow.archived && <span className="font-sans text-base text-quiet italic"> archived</span>}
          </h3>
          {flow.note && <p>{flow.note}</p>}
          <p className="text-quiet">{metaOf(flow, catalogue)}</p>
        </div>
        <div className="overflow-hidden">
          <SmallTide
            sheet={flow.outline}
            width={Math.max((flow.outline.seconds / 60) * perMinute, 24)}
            height={72}
          />
        </div>
      </div>
      <div className="mt-1 flex flex-wrap gap-1">
        {!flow.archived && (
          <Button
            aria-expanded={open === "use"}
            aria-label={say.forAClientOf(flow.name)}
            onClick={() => toggle("use")}
          >
            {say.forAClient}
          </Button>
        )}
        <Button look="quiet" aria-pressed={compared} aria-label={say.compare(flow.name)} onClick={onCompare}>
          Compare
        </Button>
        <Button look="quiet" aria-label={shared.copy(flow.name)} onClick={() => copy()}>
          Copy
        </Button>
        <Button
          look="quiet"
          aria-expanded={open === "describe"}
          aria-label={say.rename(flow.name)}
          onClick={() => toggle("describe")}
        >
          Rename
        </Button>
        <Button
          look="quiet"
          aria-label={flow.archived ? say.restore(flow.name) : say.archive(flow.name)}
          onClick={() => void describe({ archived: !flow.archived }).catch(() => undefined)}
        >
          {flow.archived ? "Restore" : "Archive"}
        </Button>
      </div>
      {problem && <ProblemNote error={problem} />}
      {open === "use" && <UseFor flow={flow} />}
      {open === "describe" && (
        <DescribeFlow
          flow={flow}
          onDescribe={(words) =>
            describe(words).then(
              () => setOpen(null),
              () => undefined,
            )
          }
        />
      )}
    </li>
  );
}

function metaOf({ brief, regions, shipped }: FlowView, catalogue: Catalogue): string {
  const worked = regions.map((id) => catalogue.regions[id]?.whole ?? id);
  const shown = worked.length > 7 ? [...worked.slice(0, 6), say.more(worked.length - 6)] : worked;
  const kind = catalogue.kinds[brief.kind ?? ""];
  const school = catalogue.schools[brief.school ?? ""]?.name;
  const minutes = kind?.open_ended ? say.asLongAsItTakes : shared.minutes(brief.booked_minutes);
  return [minutes, school, listed(shown), shipped ? say.cameWithMellowTide : "your own"]
    .filter(Boolean)
    .join(" · ");
}

/** Today's sessions that have not begun: choosing one shows what would change for its client. */
function UseFor({ flow }: { flow: FlowView }) {
  const day = useQuery(dayQuery(null));
  const waiting = day.data?.sessions.filter((session) => session.stage === "plan") ?? [];
  if (day.error) return <ProblemNote error={day.error} onAgain={() => day.refetch()} />;
  return (
    <div className="mt-2 rounded-box bg-base-200 px-5 py-4">
      <p>{waiting.length > 0 ? say.whoseSession : day.data && say.nothingLeftToPlan}</p>
      <Link to="/" search={{ flow: flow.flow_id }} className="btn mt-2 min-h-11 bg-base-100">
        {say.bookWithIt}
      </Link>
      <div className="mt-2 flex flex-wrap gap-2">
        {waiting.map((session) => (
          <Link
            key={session.session_id}
            to="/session/$sessionId/plan"
            params={{ sessionId: session.session_id }}
            search={{ from: flow.flow_id }}
            className="btn min-h-11 bg-base-100"
          >
            {day.data && timeOfDay(session.starts_at, day.data.time_zone)} {session.client_name}
          </Link>
        ))}
      </div>
    </div>
  );
}
