import { useEffect, useRef } from "react";
import type { Catalogue, Edit, Finding, SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/plan/findings";
import { shared } from "../../../phrases/screens/shared";
import { capital } from "../../../phrases/words";
import { nameOf } from "../../../tideline/names";
import { Button } from "../../../ui/Button";

/** Showing what repairs would do, where the plan may still change. */
export interface Mends {
  onTry: ((words: string, edits: Edit[]) => void) | undefined;
  onTryAll: (() => void) | undefined;
  /** All repairs are being tried. */
  trying: boolean;
}

interface Props {
  session: SessionView;
  findings: readonly Finding[];
  mends: Mends;
  /** Marks the place of a finding on tide, list and table plan. */
  onShow(partId: string): void;
}

const WORDS: Record<Finding["severity"], string> = {
  refuse: say.doNotWorkSo,
  caution: "Mend this",
  advice: say.worthThought,
};

/** What the checks found, place by place: what, why, and the repair, whose effect is shown before it is taken. */
export function FindingsPanel({ session, findings, mends, onShow }: Props) {
  const { onTry, onTryAll, trying } = mends;
  const catalogue = useCatalogue();
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  const advice = findings.filter((finding) => finding.severity === "advice" && finding.repairs?.length);
  return (
    <section id="findings" aria-label={shared.toLookAt}>
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h2 ref={heading} tabIndex={-1} className="text-2xl outline-none">
          {shared.toLookAt}
        </h2>
        {onTryAll && advice.length > 0 && (
          <Button className="bg-base-100" disabled={trying} onClick={onTryAll}>
            {trying ? say.tryingEveryRepair : say.mendAllAdvice}
          </Button>
        )}
      </div>
      {byPlace(findings, session, catalogue).map(({ place, partId, found }) => (
        <div key={place} className="mt-3">
          <h3 className="flex flex-wrap items-baseline gap-x-4 text-lg">
            {place}
            {partId && (
              <Button look="quiet" className="font-sans" onClick={() => onShow(partId)}>
                Show it
              </Button>
            )}
          </h3>
          <ul>
            {found.map((finding) => (
              <FindingRow
                key={`${finding.code} ${finding.step} ${finding.what}`}
                finding={finding}
                onTry={onTry}
              />
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

function FindingRow({ finding, onTry }: { finding: Finding } & Pick<Mends, "onTry">) {
  const catalogue = useCatalogue();
  return (
    <li className="border-t border-base-300 py-2">
      <div>
        <p>
          <span className={finding.severity === "advice" ? "italic text-quiet" : "font-bold text-accent"}>
            <span aria-hidden="true">{finding.severity === "advice" ? "○" : "△"} </span>
            {WORDS[finding.severity]}:
          </span>{" "}
          {capital(finding.what)}
        </p>
        <details className="text-quiet">
          <summary className="min-h-11 cursor-pointer py-2">Why</summary>
          <p className="max-w-prose pb-2">
            {catalogue.checks[finding.code]?.summary} {catalogue.checks[finding.code]?.rationale}
          </p>
        </details>
      </div>
      <div className="flex flex-wrap items-start gap-2">
        {onTry &&
          (finding.repairs ?? []).map((repair) => (
            <Button key={repair.words} onClick={() => onTry(repair.words, repair.edits)}>
              {repair.words}
            </Button>
          ))}
      </div>
    </li>
  );
}

/** The findings of each place together, those of the whole session first, then in the order of the flow. */
function byPlace(findings: readonly Finding[], session: SessionView, catalogue: Catalogue) {
  const groups: { place: string; partId: string | null; found: Finding[] }[] = [];
  const { parts } = session.plan.flow;
  const order = (id: string | null | undefined) => parts.findIndex((part) => part.id === id);
  for (const finding of [...findings].sort((a, b) => order(a.part_id) - order(b.part_id))) {
    const part = parts.find((one) => one.id === finding.part_id);
    const place = part ? capital(nameOf(part, catalogue)) : say.wholeSession;
    const group = groups.find((one) => one.place === place);
    if (group) group.found.push(finding);
    else groups.push({ place, partId: part?.id ?? null, found: [finding] });
  }
  return groups;
}
