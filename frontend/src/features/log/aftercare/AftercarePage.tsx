import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "@tanstack/react-router";
import { useState } from "react";
import { aftercareQuery } from "../../../api/besideQueries";
import { type AftercareView, Problem } from "../../../api/client";
import { catalogueQuery, meQuery } from "../../../api/queries";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/log/aftercare";
import { capital } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Waiting } from "../../../ui/Waiting";
import { PracticeText } from "./PracticeText";

/** What the client may take home: the words, to be copied, printed, or given as a PDF. */
export function AftercarePage() {
  const { sessionId } = useParams({ from: "/in/framed/session/$sessionId/aftercare" });
  // Undefined: the stretch that the server chooses; empty: none.
  const [stretch, setStretch] = useState<string>();
  const catalogue = useQuery(catalogueQuery);
  const me = useQuery(meQuery).data;
  const made = useQuery(aftercareQuery(sessionId, stretch));
  if (made.error) return <NotSignedYet sessionId={sessionId} error={made.error} />;
  if (!made.data || !catalogue.data || !me) return <Waiting what={say.writing} />;
  return (
    <div className="mt-3 grid grid-cols-1 gap-x-12 gap-y-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <article
        aria-label="Aftercare"
        className="max-w-[44rem] self-start whitespace-pre-line rounded-box bg-base-200 px-7 py-6 text-lg print:bg-transparent print:p-0"
      >
        {made.data.text}
      </article>
      <div className="no-print grid content-start gap-6">
        <Stretch made={made.data} onStretch={setStretch} />
        <Give sessionId={sessionId} made={made.data} />
        {me.may.includes("change_aftercare") && (
          <PracticeText key={made.data.template} sessionId={sessionId} made={made.data} />
        )}
      </div>
    </div>
  );
}

function NotSignedYet({ sessionId, error }: { sessionId: string; error: Error }) {
  if (!(error instanceof Problem) || !error.document.type.endsWith("log-not-signed"))
    return <ProblemNote error={error} />;
  return (
    <div className="mt-6 max-w-prose rounded-box bg-base-200 px-7 py-6">
      <p>{say.afterSigning}</p>
      <Link to="/session/$sessionId/log" params={{ sessionId }} className="btn btn-primary mt-3 min-h-11">
        {say.toTheLog}
      </Link>
    </div>
  );
}

function Stretch({ made, onStretch }: { made: AftercareView; onStretch(region: string): void }) {
  const catalogue = useCatalogue();
  if (made.stretches.length === 0) return <p>{say.noneFits}</p>;
  return (
    <label className="grid gap-1">
      {say.stretch}
      <select
        className="select min-h-11 w-60 max-w-full text-base"
        value={made.stretch ?? ""}
        onChange={(event) => onStretch(event.target.value)}
      >
        <option value="">{say.noStretch}</option>
        {made.stretches.map((id) => (
          <option key={id} value={id}>
            {capital(catalogue.regions[id]?.whole ?? id)}
          </option>
        ))}
      </select>
    </label>
  );
}

function Give({ sessionId, made }: { sessionId: string; made: AftercareView }) {
  const [copied, setCopied] = useState(false);
  return (
    <p className="flex flex-wrap items-center gap-2">
      <Button look="main" onClick={() => print()}>
        Print
      </Button>
      <Button
        onClick={() =>
          navigator.clipboard?.writeText(made.text).then(
            () => setCopied(true),
            () => undefined,
          )
        }
      >
        {say.copyText}
      </Button>
      <a
        className="btn min-h-11"
        href={`/api/sessions/${sessionId}/aftercare.pdf?stretch=${made.stretch ?? ""}`}
      >
        {say.downloadPdf}
      </a>
      {copied && <span role="status">{say.copied}</span>}
    </p>
  );
}
