import { useQuery } from "@tanstack/react-query";
import type { Brief, Entry } from "../../../api/client";
import { machineQuery, machinesQuery } from "../../../api/machineQueries";
import { useCatalogue } from "../../../api/useCatalogue";
import { tableHeightWords } from "../../../phrases/measures";
import { say } from "../../../phrases/screens/practice/machines";
import { Button } from "../../../ui/Button";
import { useHolding } from "./useHolding";

/** Centimetres that make no difference. */
const NEAR = 1;

/** The height that this work wants, offered where the table stands otherwise; or in a line why it cannot be had. */
export function LiftTable({ entry, brief }: { entry: Entry; brief: Brief }) {
  const catalogue = useCatalogue();
  const { machines = [], heights } = useQuery({ ...machinesQuery, retry: false }).data ?? {};
  const paired = machines.some(({ kind }) => kind === "lift_table");
  const surface = brief.surface ?? catalogue.kinds[brief.kind ?? ""]?.surface;
  const lies = surface === "table" && catalogue.positions[entry.position]?.flat;
  if (!paired || !heights || !lies) return null;
  const wanted = entry.height === "high" ? heights.high_cm : heights.low_cm;
  return <Offered key={wanted} wanted={wanted ?? 0} />;
}

function Offered({ wanted }: { wanted: number }) {
  const asked = useQuery(machineQuery("lift_table")).data;
  const holding = useHolding(asked?.table?.beat, wanted);
  const { table, says } = holding.state ?? asked ?? {};
  if (says)
    return (
      <p role="status" className="relative z-20 text-accent sm:text-lg">
        <span className="rounded-field bg-base-100 box-decoration-clone">△ {says}</span>
      </p>
    );
  if (!table) return null;
  const reached = Math.min(Math.max(wanted, table.lowest_cm), table.highest_cm);
  const way = reached - table.height_cm;
  // While it is held it stays, so that the finger knows where it is.
  if (Math.abs(way) <= NEAR && !holding.state) return null;
  return (
    <div className="relative z-20 flex items-center gap-x-4 pt-2 max-sm:justify-between sm:text-lg">
      <p role="status" className="rounded-field bg-base-100">
        {say.hereAndWanted(tableHeightWords(table.height_cm), tableHeightWords(reached))}
      </p>
      <Button
        className="min-h-12 touch-none border-2 border-primary/60 bg-base-100 whitespace-nowrap select-none active:bg-base-300 sm:min-h-14 sm:px-6 sm:text-xl"
        title={say.whileHeld}
        aria-description={say.whileHeld}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          holding.hold();
        }}
        onPointerUp={holding.letGo}
        onPointerCancel={holding.letGo}
        onLostPointerCapture={holding.letGo}
        onContextMenu={(event) => event.preventDefault()}
        onKeyDown={(event) => {
          if (event.key !== "Enter" && event.key !== " ") return;
          // The keys of the table go on with the session otherwise.
          event.preventDefault();
          event.stopPropagation();
          if (!event.repeat) holding.hold();
        }}
        onKeyUp={holding.letGo}
        onBlur={holding.letGo}
      >
        {way > 0 ? say.holdToRaise : say.holdToLower}
      </Button>
    </div>
  );
}
