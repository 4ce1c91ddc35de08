import type { Difference, RunSheet } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { keptWords, whatMoved } from "../../../phrases/plan/difference";
import { say } from "../../../phrases/screens/plan/page";
import { PointedLine } from "../../../tideline/PointedLine";
import type { Pointed } from "../../../tideline/pointed";

interface Props {
  /** What was said of the last change, empty for nothing. */
  said: string;
  difference: Difference | null | undefined;
  pointed: Pointed;
  sheet: RunSheet;
  selected: string | null;
}

/** The line below the tide: what the last change did, or what is pointed at. */
export function WhatWasDone({ said, difference, pointed, sheet, selected }: Props) {
  return (
    <div className="grid min-h-6 text-quiet">
      <p role="status" aria-label={say.whatWasDone} className="peer col-start-1 row-start-1">
        {said || (difference && <Changed difference={difference} />)}
      </p>
      <p aria-hidden="true" className="col-start-1 row-start-1 bg-base-100 max-sm:hidden">
        <PointedLine pointed={pointed} sheet={sheet} selected={said || difference ? null : selected} />
      </p>
    </div>
  );
}

/** What the change just made has moved, what was set by hand that it kept, and what it could not keep. */
function Changed({ difference }: { difference: Difference }) {
  const catalogue = useCatalogue();
  const name = (id: string) => catalogue.regions[id]?.whole ?? id;
  const moved = whatMoved(difference, name);
  return [moved && `${moved}.`, ...keptWords(difference, name)].filter(Boolean).join(" ");
}
