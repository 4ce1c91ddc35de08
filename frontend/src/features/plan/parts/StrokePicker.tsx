import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Edit, SessionView, StrokePick } from "../../../api/client";
import { picksQuery } from "../../../api/queries";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/plan/parts";
import { capital } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Waiting } from "../../../ui/Waiting";

interface Props {
  session: SessionView;
  partId: string;
  onTake(edits: Edit[], words: string): void;
}

const SLOTS: Record<StrokePick["slot"], string> = {
  open: "To open",
  dry: say.beforeOil,
  spread: say.toSpreadOil,
  warm: "To warm",
  knead: say.whenItIsWarm,
  specific: say.inOnePlace,
  mobilise: say.toMoveJoint,
  rouse: "To rouse",
  flush: "To clear",
  settle: "To settle",
  contraction: say.duringContraction,
  close: "To close",
};

/** All strokes for a part, by their place in the arc: those that fit can be taken, the others say why not. */
export function StrokePicker({ session, partId, onTake }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <div className="mb-3 pl-14">
      <Button aria-expanded={open} onClick={() => setOpen(!open)}>
        {say.addStroke}
      </Button>
      {open && (
        <Strokes
          session={session}
          partId={partId}
          onTake={(edits, words) => {
            setOpen(false);
            onTake(edits, words);
          }}
        />
      )}
    </div>
  );
}

function Strokes({ session, partId, onTake }: Props) {
  const catalogue = useCatalogue();
  const found = useQuery(picksQuery(session.session_id, session.revision, partId));
  if (found.error) return <ProblemNote error={found.error} onAgain={() => found.refetch()} />;
  if (!found.data) return <Waiting what={say.tryingEveryStrokeHere} shape="list" />;
  const fitting = found.data.filter((pick) => !pick.why_not);
  const others = found.data.filter((pick) => pick.why_not);
  const slots = [...new Set(fitting.map((pick) => pick.slot))];
  const name = (pick: StrokePick) => capital(catalogue.strokes[pick.stroke]?.name ?? pick.stroke);
  return (
    <section aria-label={say.strokesThatFitHere} className="mt-3 rounded-box bg-base-200 px-5 py-4">
      {slots.map((slot) => (
        <div key={slot} className="mb-3">
          <h4 className="font-serif text-lg">{SLOTS[slot]}</h4>
          <ul className="mt-1 flex flex-wrap gap-2">
            {fitting
              .filter((pick) => pick.slot === slot)
              .map((pick) => (
                <li key={pick.stroke}>
                  <Button
                    className="bg-base-100"
                    title={pick.warns || catalogue.strokes[pick.stroke]?.gloss}
                    onClick={() => onTake(pick.edits ?? [], say.added(name(pick)))}
                  >
                    {name(pick)}
                    {pick.warns && (
                      <span className="text-accent">
                        <span aria-hidden="true">△</span>
                        <span className="sr-only">: {pick.warns}</span>
                      </span>
                    )}
                  </Button>
                </li>
              ))}
          </ul>
        </div>
      ))}
      <details>
        <summary className="min-h-11 cursor-pointer py-2">{say.strokesThatDoNotFit(others.length)}</summary>
        <ul className="columns-1 gap-8 sm:columns-2">
          {others.map((pick) => (
            <li key={pick.stroke + pick.slot} className="py-1">
              {name(pick)}: <span className="text-quiet">{pick.why_not}</span>
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}
