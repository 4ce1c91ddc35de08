import { useMemo, useState } from "react";
import type { Catalogue, ClientPage } from "../../api/client";
import type { Moment } from "../../tableplan/moment";
import { TablePlan } from "../../tableplan/TablePlan";

const LYING = ["prone", "supine"] as const;

/** The wishes by region on the table plan, the deeper the darker; places to keep off hatched. Seen from behind or before. */
export function WishesPlan({ client, catalogue }: { client: ClientPage; catalogue: Catalogue }) {
  const [position, setPosition] = useState<(typeof LYING)[number]>("prone");
  const moment = useMemo<Moment>(
    () => ({
      entry: {
        position,
        place: "away",
        seated: false,
        // Nothing lies over what is to be seen.
        window: "clothed",
        window_side: "mid",
        region: "back",
        side: "mid",
        kind: "announce",
        role: "work",
      },
      surface: "table",
      excluded: client.facts.excluded ?? [],
      barred: (client.restrictions.regions ?? []).map(({ id }) => id),
      pregnant: client.facts.gestation_days != null,
    }),
    [position, client],
  );
  const shaded = useMemo(
    () =>
      Object.fromEntries(
        (client.facts.wishes ?? []).flatMap(({ region, depth }) =>
          ["mid", "left", "right"].map((side) => [`${region} ${side}`, depth / 6]),
        ),
      ),
    [client],
  );
  return (
    <div className="max-w-xl">
      <TablePlan moment={moment} catalogue={catalogue} shaded={shaded} />
      <div className="flex gap-2">
        {LYING.map((one) => (
          <button
            key={one}
            type="button"
            className="btn min-h-11"
            aria-pressed={one === position}
            onClick={() => setPosition(one)}
          >
            {catalogue.positions[one]?.name}
          </button>
        ))}
      </div>
    </div>
  );
}
