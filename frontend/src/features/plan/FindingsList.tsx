import type { Catalogue, Edit, Finding } from "../../api/client";

interface Props {
  findings: readonly Finding[];
  catalogue: Catalogue;
  onShow(stopId: string): void;
  /** Carries out a repair; none where the plan stands. */
  onMend: ((edits: Edit[]) => void) | undefined;
}

const WORDS: Record<Finding["severity"], string> = {
  stop: "Do not work so",
  caution: "Mend this",
  advice: "Worth a thought",
};

/** What the checks found: what, where, why, and the repair as one action. */
export function FindingsList({ findings, catalogue, onShow, onMend }: Props) {
  if (findings.length === 0) return null;
  return (
    <section
      id="findings"
      aria-label="To look at"
      className="mt-6 scroll-mt-4 rounded-box bg-base-200 px-6 py-5"
    >
      <h2 className="text-2xl">To look at</h2>
      <ul className="mt-2 divide-y divide-base-300">
        {findings.map((finding) => (
          <li key={`${finding.code} ${finding.stop_id} ${finding.step}`} className="py-3">
            <p>
              <span className={finding.severity === "advice" ? "italic text-quiet" : "font-bold text-accent"}>
                <span aria-hidden="true">{finding.severity === "advice" ? "○" : "△"} </span>
                {WORDS[finding.severity]}:
              </span>{" "}
              {finding.what.charAt(0).toUpperCase() + finding.what.slice(1)}
            </p>
            <div className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1">
              {onMend &&
                finding.repairs.map((repair) => (
                  <button
                    key={repair.words}
                    type="button"
                    className="btn min-h-11 border-base-300 bg-base-100"
                    onClick={() => onMend(repair.edits)}
                  >
                    {repair.words}
                  </button>
                ))}
              {finding.stop_id && (
                <button
                  type="button"
                  className="btn btn-ghost min-h-11"
                  onClick={() => onShow(finding.stop_id ?? "")}
                >
                  Show it
                </button>
              )}
              <details className="text-quiet">
                <summary className="min-h-11 cursor-pointer py-2">Why</summary>
                <p className="max-w-prose pb-2">
                  {catalogue.checks[finding.code]?.summary} {catalogue.checks[finding.code]?.rationale}
                </p>
              </details>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
