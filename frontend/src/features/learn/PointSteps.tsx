import { useQuery } from "@tanstack/react-query";
import type { Catalogue, Learnt } from "../../api/client";
import { meQuery } from "../../api/queries";
import { useCatalogue } from "../../api/useCatalogue";
import { say } from "../../phrases/screens/learn";
import { shortDay } from "../../phrases/time";
import { capital, placeName } from "../../phrases/words";

const STEP = 22;
const UNIT = 7;

interface Series {
  place: string;
  visits: { at: string; numbers: number[] }[];
}

/** Sore points over visits, as steps that fall: every number in its order, visit after visit; and as a table. */
export function PointSteps({ visits }: { visits: Learnt["sore"] }) {
  const catalogue = useCatalogue();
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const series = seriesOf(visits, catalogue);
  if (series.length === 0) return null;
  return (
    <section aria-label={say.pointsOverVisits}>
      <h2 className="text-2xl">{say.sorePointsOverVisits}</h2>
      <p className="mt-1 text-quiet">{say.whatTheNumbersAre}</p>
      <ul className="mt-3 grid gap-5">
        {series.map((one) => (
          <li key={one.place}>
            <h3 className="font-bold">{capital(one.place)}</h3>
            <Steps series={one} />
            <p>
              {one.visits
                .map(({ at, numbers }) => `${shortDay(at, timeZone, new Date())}: ${numbers.join(", ")}`)
                .join(" · ")}
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Steps({ series }: { series: Series }) {
  let x = 0;
  const stairs = series.visits.map(({ at, numbers }) => {
    const path = numbers.map((number, index) => {
      const y = (10 - number) * UNIT + 4;
      const step = `${index === 0 ? `M${x} ${y}` : `V${y}`}h${STEP}`;
      x += STEP;
      return step;
    });
    x += STEP / 2;
    return { at, path: path.join("") };
  });
  return (
    <svg
      viewBox={`0 0 ${Math.max(x, 120)} ${10 * UNIT + 8}`}
      className="block h-20 max-w-full"
      role="img"
      aria-label={series.visits.map(({ numbers }) => numbers.join(", ")).join("; next visit ")}
    >
      <path d={`M0 ${10 * UNIT + 4}H${x}`} className="stroke-base-content/40" strokeWidth={0.8} />
      {stairs.map(({ at, path }) => (
        <path key={at} d={path} className="fill-none stroke-tide-deep" strokeWidth={2.4} />
      ))}
    </svg>
  );
}

/** The numbers of one place, visit by visit, the first visit first. */
export function seriesOf(visits: Learnt["sore"], catalogue: Pick<Catalogue, "regions">): Series[] {
  const found = new Map<string, Series>();
  for (const { starts_at, points } of visits.toReversed())
    for (const point of points) {
      if (point.numbers.length === 0) continue;
      const place = placeName(point, catalogue);
      const series = found.get(place) ?? { place, visits: [] };
      series.visits.push({ at: starts_at, numbers: [...point.numbers] });
      found.set(place, series);
    }
  return [...found.values()];
}
