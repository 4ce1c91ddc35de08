import type { Edit, SessionView } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/plan/parts";
import { Button } from "../../../ui/Button";
import { changeSeveral, removeSeveral } from "./edits";

interface Props {
  flow: SessionView["plan"]["flow"];
  chosen: ReadonlySet<string>;
  onEdit(edits: Edit[], words?: string): void;
  onClear(): void;
}

/** What can be done to several parts at once. */
export function SeveralBar({ flow, chosen, onEdit, onClear }: Props) {
  const catalogue = useCatalogue();
  const { parts } = flow;
  const count = `${chosen.size} ${chosen.size === 1 ? "part" : "parts"}`;
  const depthOf = (stroke: string) => catalogue.strokes[stroke]?.depth as [number, number] | undefined;
  const acts: [string, Edit[]][] = [
    ["Lighter", changeSeveral(parts, chosen, { depth: -1 }, depthOf)],
    ["Deeper", changeSeveral(parts, chosen, { depth: 1 }, depthOf)],
    [say.passFewer, changeSeveral(parts, chosen, { passes: -1 }, depthOf)],
    [say.passMore, changeSeveral(parts, chosen, { passes: 1 }, depthOf)],
    ["Remove", removeSeveral(parts, chosen)],
  ];
  return (
    <div
      role="toolbar"
      aria-label="Several parts"
      className="sticky top-0 z-10 mt-2 flex flex-wrap items-center gap-2 rounded-box bg-base-200 px-4 py-2"
    >
      <span role="status" className="mr-2">
        {chosen.size === 0 ? say.tickPartsToChangeTogether : count}
      </span>
      {acts.map(([words, edits]) => (
        <Button
          key={words}
          className="bg-base-100"
          // As many edits as one request takes.
          disabled={edits.length === 0 || edits.length > 100}
          onClick={() => {
            onEdit(edits, `${words.toLowerCase()}: ${count}`);
            if (words === "Remove") onClear();
          }}
        >
          {words}
        </Button>
      ))}
    </div>
  );
}
