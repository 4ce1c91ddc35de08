import { useEffect, useRef } from "react";
import { DifferenceList } from "../../../compare/DifferenceList";
import { say } from "../../../phrases/screens/plan/changes";
import { shared } from "../../../phrases/screens/shared";
import { Button } from "../../../ui/Button";
import type { Preview } from "./usePreview";

interface Props {
  preview: Preview;
  findings: number;
  onTake(): void;
  onLeave(): void;
}

/** Over the tide line: that it shows a change which is not taken yet, what changes, and the choice. */
export function PreviewNote({ preview, findings, onTake, onLeave }: Props) {
  const take = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    take.current?.focus();
    take.current?.scrollIntoView({ block: "center" });
  }, []);
  const after = preview.tried.evaluation.findings.length;
  return (
    <section aria-label={say.beforeYouTakeIt} className="mb-2 mt-4 rounded-box bg-base-200 px-6 py-4">
      <h2 className="text-xl">{say.preview(preview.words)}</h2>
      <div className="mt-2 flex flex-wrap items-start gap-x-12 gap-y-2">
        <div>
          <DifferenceList difference={preview.tried.difference} />
        </div>
        <p>{after === findings ? say.toLookAtAsBefore(after) : say.toLookAtBefore(after, findings)}</p>
        <div className="ml-auto flex flex-wrap gap-3">
          <Button look="main" ref={take} onClick={onTake}>
            Use it
          </Button>
          <Button className="bg-base-300" onClick={onLeave}>
            {shared.leaveItAsItIs}
          </Button>
        </div>
      </div>
    </section>
  );
}
