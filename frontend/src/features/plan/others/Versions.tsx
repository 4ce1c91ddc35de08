import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { type Adjustment, api, body, type SessionView, type Version } from "../../../api/client";
import { askAgain, versionsQuery } from "../../../api/queries";
import { Beside } from "../../../compare/Beside";
import { say } from "../../../phrases/screens/plan/others";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import type { PlanChanges } from "../changes/usePlanChanges";

const path = "/api/sessions/{session_id}/versions" as const;

/** Versions of the plan that were given a name: kept, compared, brought back, renamed, forgotten. */
export function Versions(props: { session: SessionView; changes: PlanChanges }) {
  const { session } = props;
  const { session_id } = session;
  const queries = useQueryClient();
  const kept = useQuery({
    ...versionsQuery(session_id, session.revision),
    placeholderData: keepPreviousData,
  });
  const [name, setName] = useState("");
  const keeping = useMutation({
    mutationFn: () => api.POST(path, { params: { path: { session_id } }, body: { name } }),
    onSuccess: () => {
      setName("");
      return askAgain(queries, versionsQuery(session_id, session.revision));
    },
  });
  return (
    <section aria-label="Versions" className="mt-3 rounded-box bg-base-200 px-5 py-4">
      <h2 className="text-xl">Versions</h2>
      <form
        className="mt-2 flex flex-wrap gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim()) keeping.mutate();
        }}
      >
        <input
          className="input min-h-11 w-72"
          aria-label={say.nameOfThisVersion}
          placeholder={say.asWeAgreedOnPhone}
          maxLength={80}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Button type="submit" className="bg-base-100" disabled={!name.trim() || keeping.isPending}>
          {say.keepUnderThisName}
        </Button>
      </form>
      {keeping.error && <ProblemNote error={keeping.error} />}
      {kept.error && <ProblemNote error={kept.error} onAgain={() => kept.refetch()} />}
      {kept.data?.length === 0 && <p className="mt-2 text-quiet">{say.noVersionYet}</p>}
      <ul className="mt-2">
        {kept.data?.map((version) => (
          <VersionRow key={version.version_id} {...props} version={version} />
        ))}
      </ul>
    </section>
  );
}

function VersionRow(props: { session: SessionView; changes: PlanChanges; version: Version }) {
  const { session, changes, version } = props;
  const queries = useQueryClient();
  const [compared, setCompared] = useState(false);
  const [renamed, setRenamed] = useState<string | null>(null);
  const params = { path: { session_id: session.session_id, version_id: version.version_id } };
  const again = () => askAgain(queries, versionsQuery(session.session_id, session.revision));
  const changing = useMutation({
    mutationFn: (name: string | null) =>
      name === null
        ? api.DELETE(`${path}/{version_id}`, { params })
        : api.PUT(`${path}/{version_id}`, { params, body: { name } }),
    onSuccess: () => {
      setRenamed(null);
      return again();
    },
  });
  return (
    <li className="border-t border-base-300 py-2">
      <div className="flex flex-wrap items-center gap-2">
        {renamed === null ? (
          <span className="mr-auto">
            <span className="font-bold">{version.name}</span>
            {version.stands && <span className="text-quiet">{say.asItStandsNow}</span>}
          </span>
        ) : (
          <input
            className="input min-h-11 mr-auto"
            aria-label={say.newNameOf(version.name)}
            maxLength={80}
            value={renamed}
            onChange={(event) => setRenamed(event.target.value)}
            onKeyDown={(event) => event.key === "Enter" && renamed.trim() && changing.mutate(renamed)}
          />
        )}
        {!version.stands && (
          <>
            <Button
              className="bg-base-100"
              onClick={() => void changes.standAgain(version.version_id).catch(() => undefined)}
            >
              {say.goBackToIt}
            </Button>
            <Button look="quiet" aria-pressed={compared} onClick={() => setCompared(!compared)}>
              Compare
            </Button>
          </>
        )}
        <Button
          look="quiet"
          onClick={() =>
            renamed === null ? setRenamed(version.name) : renamed.trim() && changing.mutate(renamed)
          }
        >
          {renamed === null ? "Rename" : say.keepName}
        </Button>
        <Button look="quiet" onClick={() => changing.mutate(null)}>
          Delete
        </Button>
      </div>
      {changing.error && <ProblemNote error={changing.error} />}
      {compared && !version.stands && <Comparison session={session} version={version} />}
    </li>
  );
}

function Comparison({ session, version }: { session: SessionView; version: Version }) {
  const beside = useQuery({
    queryKey: ["version beside", version.version_id, session.revision],
    queryFn: () =>
      body<Adjustment>(
        api.GET(`${path}/{version_id}/comparison`, {
          params: { path: { session_id: session.session_id, version_id: version.version_id } },
        }),
      ),
  });
  return (
    <div className="mt-3">
      <Beside now={session.evaluation} other={beside} name={version.name} />
    </div>
  );
}
