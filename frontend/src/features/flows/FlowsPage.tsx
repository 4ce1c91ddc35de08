import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { api, body, type FlowsBeside } from "../../api/client";
import { catalogueQuery, flowsQuery } from "../../api/queries";
import { FlowsCompared } from "../../compare/FlowsCompared";
import { say } from "../../phrases/screens/flows";
import { shared } from "../../phrases/screens/shared";
import { capital } from "../../phrases/words";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { SearchLine } from "../../ui/SearchLine";
import { useWidth } from "../../ui/screen/useWidth";
import { Waiting } from "../../ui/Waiting";
import { FlowRow } from "./FlowRow";
import { found } from "./search";

/** The library: own and shipped flows, found by what one remembers of them, compared, and used for a client. */
export function FlowsPage() {
  const flows = useQuery(flowsQuery);
  const catalogue = useQuery(catalogueQuery);
  const [typed, setTyped] = useState("");
  const [withOld, setWithOld] = useState(false);
  const [compared, setCompared] = useState<readonly string[]>([]);
  const [ref, width] = useWidth<HTMLDivElement>(1100);
  const error = flows.error ?? catalogue.error;
  if (error) return <ProblemNote error={error} onAgain={() => flows.refetch()} />;
  if (!flows.data || !catalogue.data) return <Waiting what={shared.openingLibrary} shape="list" />;
  const kept = flows.data.filter((flow) => withOld || !flow.archived);
  const shown = found(kept, typed, catalogue.data);
  const kinds = Object.entries(catalogue.data.kinds).filter(([id]) =>
    shown.some((flow) => flow.brief.kind === id),
  );
  const longest = Math.max(...flows.data.map((flow) => flow.outline.seconds / 60), 60);
  const compare = (id: string) =>
    setCompared((now) => (now.includes(id) ? now.filter((other) => other !== id) : [...now, id].slice(-2)));
  return (
    <div ref={ref}>
      <h1 className="text-3xl">Flows</h1>
      <p className="mt-1 max-w-[65ch]">{say.whatTheLibraryIs}</p>
      <SearchLine
        label={say.findFlow}
        placeholder={say.whatToSearchBy}
        typed={typed}
        onType={setTyped}
        withOld={withOld}
        onWithOld={setWithOld}
      >
        <p role="status" className="text-quiet">
          {shown.length === kept.length
            ? say.flows(kept.length)
            : say.shownOfFlows(shown.length, kept.length)}
        </p>
      </SearchLine>
      {compared.length === 1 && (
        <p role="status" className="mt-3">
          {say.chooseASecond}
        </p>
      )}
      {compared.length === 2 && <Beside ids={compared} onClose={() => setCompared([])} />}
      {shown.length === 0 && <p className="mt-6">{say.noFlowFits}</p>}
      {kinds.length > 1 && (
        <nav aria-label={say.kindsOfSession} className="mt-4 flex flex-wrap gap-2">
          {kinds.map(([id, kind]) => (
            <a key={id} href={`#${id}`} className="btn min-h-11 bg-base-200 font-normal">
              {capital(kind.name)}
            </a>
          ))}
        </nav>
      )}
      {kinds.map(([id, kind]) => (
        <section key={id} id={id} aria-labelledby={`${id}-flows`} className="mt-8 scroll-mt-4">
          <h2 id={`${id}-flows`} className="text-2xl">
            {capital(kind.name)}
          </h2>
          <ul className="mt-2">
            {shown
              .filter((flow) => flow.brief.kind === id)
              .map((flow) => (
                <FlowRow
                  key={flow.flow_id}
                  flow={flow}
                  perMinute={(width >= 1024 ? width * 0.5 : width) / longest}
                  compared={compared.includes(flow.flow_id)}
                  onCompare={() => compare(flow.flow_id)}
                />
              ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

function Beside({ ids, onClose }: { ids: readonly string[]; onClose(): void }) {
  const [first = "", second = ""] = ids;
  const beside = useQuery({
    queryKey: ["flows beside", first, second],
    queryFn: () =>
      body<FlowsBeside>(api.GET("/api/flows/comparison", { params: { query: { first, second } } })),
  });
  const section = useRef<HTMLElement>(null);
  useEffect(() => section.current?.focus(), []);
  return (
    <section
      ref={section}
      tabIndex={-1}
      aria-label="Comparison"
      className="mt-4 scroll-mt-4 outline-none rounded-box bg-base-200 px-6 py-5"
    >
      <FlowsCompared beside={beside} />
      <Button className="mt-4 bg-base-100" onClick={onClose}>
        Done comparing
      </Button>
    </section>
  );
}
