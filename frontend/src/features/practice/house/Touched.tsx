import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { HouseEffect } from "../../../api/client";
import { touchedQuery } from "../../../api/practiceQueries";
import { FlowsCompared } from "../../../compare/FlowsCompared";
import { say } from "../../../phrases/screens/practice";
import { Button } from "../../../ui/Button";
import { Overlay } from "../../../ui/Overlay";

interface Props {
  item: string;
  after: string | null;
  effect: HouseEffect;
  onClose(): void;
}

/** What a change would touch, one after the other: as it is, and as it would be. */
export function Touched({ item, after, effect, onClose }: Props) {
  const all = [
    ...effect.plans.map((one) => ({ path: "plans" as const, id: one.session_id, name: one.client_name })),
    ...effect.flows.map((one) => ({ path: "flows" as const, id: one.flow_id, name: one.name })),
  ];
  const [at, setAt] = useState(0);
  const shown = all[at];
  const beside = useQuery({
    ...touchedQuery(shown?.path ?? "flows", shown?.id ?? "", item, after),
    enabled: shown !== undefined,
  });
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: what it opened from stays open when Escape leaves it
    <span onKeyDown={(event) => event.key === "Escape" && event.stopPropagation()}>
      <Overlay
        label={say.whatItWouldChange}
        className="inset-0 overflow-y-auto px-5 py-5 text-base text-base-content sm:px-9"
        onClose={onClose}
      >
        <div className="flex flex-wrap items-center gap-3">
          <h2 className="grow text-2xl">{say.whatItWouldChange}</h2>
          <Button look="main" onClick={onClose}>
            {say.backToAnswers}
          </Button>
        </div>
        <div className="mt-3 flex flex-wrap gap-2">
          {all.map((one, index) => (
            <Button key={one.id} aria-pressed={index === at} onClick={() => setAt(index)}>
              {one.name}
            </Button>
          ))}
        </div>
        <div className="mt-5">
          <FlowsCompared beside={beside} />
        </div>
      </Overlay>
    </span>
  );
}
