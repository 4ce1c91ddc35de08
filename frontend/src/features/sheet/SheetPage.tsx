import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "@tanstack/react-router";
import type { SessionView } from "../../api/client";
import { catalogueQuery, meQuery, sessionQuery } from "../../api/queries";
import { useCatalogue } from "../../api/useCatalogue";
import { firstTouch } from "../../lib/firstTouch";
import { packed } from "../../phrases/measures";
import { shared } from "../../phrases/screens/shared";
import { say } from "../../phrases/screens/sheet";
import { clock, span, timeOfDay } from "../../phrases/time";
import { capital, listed, placeName } from "../../phrases/words";
import { SmallTide } from "../../tideline/SmallTide";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { linesOf, type PartLines } from "./lines";

/** The run sheet to be printed: one or two pages, large enough to read from the table. */
export function SheetPage() {
  const { sessionId } = useParams({ from: "/in/framed/session/$sessionId/sheet" });
  const session = useQuery(sessionQuery(sessionId));
  const catalogue = useQuery(catalogueQuery);
  if (catalogue.error) return <ProblemNote error={catalogue.error} onAgain={() => catalogue.refetch()} />;
  if (!session.data || !catalogue.data) return <Waiting what={shared.layingOutSession} />;
  return (
    <>
      <div className="no-print mb-4 flex flex-wrap items-center gap-3">
        <Button look="main" onClick={() => print()}>
          Print
        </Button>
        <Link to="/session/$sessionId/plan" params={{ sessionId }} className="btn btn-ghost min-h-11">
          {shared.backToPlan}
        </Link>
        <span className="text-quiet">
          {session.data.plan.flow.brief.plain_words ? say.onTwoPages : say.howToReadIt}
        </span>
      </div>
      <Sheet session={session.data} />
    </>
  );
}

function Sheet({ session }: { session: SessionView }) {
  const catalogue = useCatalogue();
  const { plan, evaluation } = session;
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const begins = firstTouch(session);
  const hour = (second: number) => timeOfDay(new Date(begins + second * 1000), timeZone);
  const lines = linesOf(plan.flow, evaluation.sheet, catalogue);
  return (
    <article aria-label="Run sheet" className="run-sheet">
      <div className="flex flex-wrap items-end justify-between gap-x-6 border-b-2 border-base-content pb-1">
        <p>
          {say.handsOnAt} <strong className="numbers">{hour(0)}</strong>
          {say.forTo(span(evaluation.sheet.seconds))}{" "}
          <strong className="numbers">{hour(evaluation.sheet.seconds)}</strong>
        </p>
        <SmallTide sheet={evaluation.sheet} width={260} height={44} />
      </div>
      <Cautions session={session} />
      <ol className="run-sheet-parts mt-2">
        {lines.map((line, i) => (
          <PartLine
            key={line.id}
            line={line}
            hour={hour}
            oneByOne={plan.flow.brief.plain_words ?? false}
            position={
              line.position === lines[i - 1]?.position
                ? null
                : (catalogue.positions[line.position]?.name ?? "")
            }
          />
        ))}
      </ol>
      <p className="mt-2 border-t border-base-content pt-1 text-[0.9em]">
        {say.layOut(evaluation.supplies.packing.map(packed).join("; "))}
      </p>
    </article>
  );
}

interface PartLineProps {
  line: PartLines;
  hour(second: number): string;
  /** Said where it is another than before. */
  position: string | null;
  /** Each stroke on a line of its own. */
  oneByOne: boolean;
}

function PartLine({ line, hour, position, oneByOne }: PartLineProps) {
  return (
    <li className="break-inside-avoid py-0.5">
      {position && (
        <h2 className="mt-1 border-b border-base-content/40 font-serif text-[1.1em] italic">
          {capital(position)}
        </h2>
      )}
      {line.before.length > 0 && <p className="text-[0.86em] italic">↻ {line.before.join(", ")}</p>}
      <p className="flex items-baseline gap-2">
        <span className="numbers w-[3.2em] shrink-0 text-[1.1em] font-bold">{hour(line.start)}</span>
        <span className="text-[1.15em] font-bold">{line.name}</span>
        <span className="numbers ml-auto font-bold">{clock(line.seconds)}</span>
      </p>
      {oneByOne ? (
        <ul className="list-disc pl-[4.9em] text-[0.92em] leading-snug">
          {line.strokes.map((stroke, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: the same words may come twice
            <li key={i}>{stroke}</li>
          ))}
        </ul>
      ) : (
        <p className="pl-[3.9em] text-[0.92em] leading-snug">{line.strokes.join(" · ")}</p>
      )}
    </li>
  );
}

/** What must not be forgotten with this client. */
function Cautions({ session }: { session: SessionView }) {
  const catalogue = useCatalogue();
  const { restrictions, findings } = session.evaluation;
  const keptOff = (restrictions.excluded ?? []).map(
    (place) => `${placeName(place, catalogue)}${place.because ? ` (${place.because})` : ""}`,
  );
  const words = [
    session.client.know_first,
    keptOff.length > 0 && shared.keepOffPlaces(listed(keptOff)),
    ...(restrictions.reasons ?? []).map((reason) => `${capital(reason.name)}: ${reason.says}`),
    ...findings.filter((finding) => finding.severity !== "advice").map((finding) => capital(finding.what)),
  ].filter(Boolean);
  if (words.length === 0) return null;
  return <p className="mt-1 font-bold">△ {words.join(" ")}</p>;
}
