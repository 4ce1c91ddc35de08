import { useMemo } from "react";
import type { ClientPage } from "../../api/client";
import { useCatalogue } from "../../api/useCatalogue";
import { BodyPlan } from "../../meeting/BodyPlan";
import { liesOnTheSide } from "../../meeting/unplaced";

/** The wishes by region on the table plan, the deeper the darker; places to keep off hatched. */
export function WishesPlan({ client }: { client: ClientPage }) {
  const catalogue = useCatalogue();
  const shaded = useMemo(
    () =>
      Object.fromEntries(
        client.record.wishes.flatMap(({ region, depth }) =>
          ["mid", "left", "right"].map((side) => [`${region} ${side}`, depth / 6]),
        ),
      ),
    [client],
  );
  const barred = useMemo(() => (client.restrictions.regions ?? []).map(({ id }) => id), [client]);
  return (
    <BodyPlan
      catalogue={catalogue}
      excluded={client.restrictions.excluded ?? []}
      barred={barred}
      pregnant={client.facts.gestation_days != null}
      onTheSide={liesOnTheSide(client.restrictions)}
      shaded={shaded}
    />
  );
}
