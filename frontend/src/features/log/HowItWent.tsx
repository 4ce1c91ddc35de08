import type { LogView } from "../../api/client";
import { useCatalogue } from "../../api/useCatalogue";
import { say } from "../../phrases/screens/log";
import { span } from "../../phrases/time";
import { capital, listed, placeName, zoneName } from "../../phrases/words";

/** What was left out, what was added, and the sore points from before to after; nothing where all went as planned. */
export function HowItWent({ page }: { page: LogView }) {
  const catalogue = useCatalogue();
  const { run, evaluation } = page.session;
  const { entries } = evaluation.sheet;
  const leftOut = [
    ...new Set(
      entries
        .filter(({ part_id }) => run.allotted[part_id] === 0)
        .map((entry) => placeName(entry, catalogue)),
    ),
  ];
  const skipped = run.skipped.map(({ entries: addresses, reason }) => {
    const undone = entries.filter(({ address }) => addresses.includes(address));
    const strokes = undone.map(({ stroke }) => catalogue.strokes[stroke ?? ""]?.name ?? "a stroke");
    const where = undone[0] ? placeName(undone[0], catalogue) : "";
    return `${listed([...new Set(strokes)])}, ${where}: ${reason || say.noReasonSaid}`;
  });
  const added = run.added.map((one) => `${placeName(one, catalogue)}, ${span(run.taken[one.part_id] ?? 0)}`);
  const lines: [string, string[]][] = [
    [say.leftOutForTime, leftOut],
    ["Skipped", skipped],
    ["Added", added],
  ];
  const told = lines.filter(([, words]) => words.length > 0);
  if (told.length === 0 && run.points.length === 0) return null;
  return (
    <section
      aria-label={say.howItWent}
      className="mt-2 grid gap-x-8 gap-y-2 lg:grid-cols-2 desk:grid-cols-1 desk:mt-1"
    >
      {told.length > 0 && (
        <dl>
          {told.map(([name, words]) => (
            <div key={name} className="mb-1">
              <dt className="inline font-bold">{name}: </dt>
              <dd className="inline">{capital(words.join("; "))}.</dd>
            </div>
          ))}
        </dl>
      )}
      {run.points.length > 0 && (
        <div className="desk:flex desk:gap-2">
          <h2 className="font-sans text-base font-bold">{say.sorePointsBeforeToAfter}</h2>
          <ul>
            {run.points.map((point) => (
              <li key={point.id}>
                {capital(placeName({ ...point, zone: null }, catalogue))}
                {point.zone && `, ${zoneName(point.zone, catalogue.regions[point.region])}`}:{" "}
                <span className="numbers font-bold">{point.numbers.join(", ") || "no number"}</span>
                {point.left && say.slowToEaseLeft}
                {point.travels.length > 0 && say.travelsOn(listed(point.travels))}
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}
