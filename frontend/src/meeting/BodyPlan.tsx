import { useMemo, useState } from "react";
import type { Catalogue, Place } from "../api/client";
import { capital } from "../phrases/words";
import type { Spot } from "../tableplan/layout";
import type { Moment } from "../tableplan/moment";
import { TablePlan } from "../tableplan/TablePlan";
import { Button } from "../ui/Button";

const FLAT = ["prone", "supine"] as const;
/** Who may not lie flat is drawn on the side. */
const ON_THE_SIDE = ["side_left", "side_right"] as const;

/** What the body is drawn from: a form outside the practice knows no more than this. */
export type BodyNames = Pick<Catalogue, "regions" | "windows" | "positions">;

interface Props {
  catalogue: BodyNames;
  /** Places that are hatched. */
  excluded?: readonly Place[];
  barred?: readonly string[];
  pregnant?: boolean;
  onTheSide?: boolean;
  /** Places that are shaded, by region and side, from 0 (not) to 1. */
  shaded?: Readonly<Record<string, number>>;
  /** How the edge of a shaded place is drawn: whole, dashed or dotted. */
  edged?: Readonly<Record<string, "whole" | "dashed" | "dotted">>;
  /** How the two sides of the body are called, from behind and from before. */
  words?: readonly [string, string];
  onPick?: (spot: Spot) => void;
  onHold?: (spot: Spot) => void;
  /** How far a pressed place has been dragged, in pixels; see `TablePlan`. */
  onDrag?: (spot: Spot, pixels: number) => void;
}

/** A body alone on the table, with nothing over it, from behind or from before; places can be pointed at. */
export function BodyPlan(props: Props) {
  const { catalogue, excluded, barred, pregnant, onTheSide, shaded, edged, words, onPick, onHold, onDrag } =
    props;
  const [shown, setShown] = useState(0);
  const position = (onTheSide ? ON_THE_SIDE : FLAT)[shown] ?? "prone";
  const names = useMemo(() => ({ ...catalogue, strokes: {} }), [catalogue]);
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
      excluded: excluded ?? [],
      barred: barred ?? [],
      pregnant: pregnant ?? false,
      alone: true,
    }),
    [position, excluded, barred, pregnant],
  );
  return (
    <div className="max-w-xl">
      <TablePlan
        moment={moment}
        catalogue={names}
        {...(shaded ? { shaded } : {})}
        {...(edged ? { edged } : {})}
        {...(onPick ? { onPick } : {})}
        onHold={onHold}
        onDrag={onDrag}
      />
      <div className="mt-1 flex gap-2">
        {(onTheSide ? ON_THE_SIDE : FLAT).map((one, index) => (
          <Button key={one} aria-pressed={one === position} onClick={() => setShown(index)}>
            {(!onTheSide && words?.[index]) || capital(catalogue.positions[one]?.name ?? one)}
          </Button>
        ))}
      </div>
    </div>
  );
}
