import { useId, useRef, useState } from "react";
import type { SessionView } from "../../../api/client";
import { say } from "../../../phrases/screens/plan/findings";
import { span } from "../../../phrases/time";
import { Button } from "../../../ui/Button";
import { Popover } from "../../../ui/Popover";

/** How much of the session is work and how much lies between strokes, as a bar; opened, where that goes. */
export function Between({ evaluation }: { evaluation: SessionView["evaluation"] }) {
  const [open, setOpen] = useState(false);
  const id = useId();
  const button = useRef<HTMLButtonElement>(null);
  const { balance, between, sheet } = evaluation;
  const minutes = (seconds: number) => Math.round(seconds / 60);
  const spent: [string, number][] = [
    [say.coveringAndUncovering, between.covering],
    ["Turning over", between.turning],
    ["Oil", between.oiling],
    [say.washingAndWiping, between.cleaning],
    [say.walkingAndSittingDown, between.moving],
  ];
  return (
    <div className="max-lg:hidden">
      <Button
        ref={button}
        look="quiet"
        className="px-2"
        aria-expanded={open}
        aria-controls={id}
        onClick={() => setOpen(!open)}
      >
        <span
          aria-hidden="true"
          className="mr-2 inline-block h-2 w-12 overflow-hidden rounded-full bg-primary/70"
        >
          <span
            className="float-right block h-full bg-base-content/30"
            style={{ width: `${(100 * balance.between) / Math.max(1, sheet.seconds)}%` }}
          />
        </span>
        {say.workAndBetween(minutes(sheet.seconds - balance.between), minutes(balance.between))}
      </Button>
      {open && (
        <Popover anchor={button.current} placement="top-start" id={id} className="p-3">
          <dl className="grid w-72 grid-cols-[1fr_auto] gap-x-4">
            {spent.map(
              ([name, seconds]) =>
                seconds > 0 && (
                  <div key={name} className="contents">
                    <dt>{name}</dt>
                    <dd className="numbers text-right">{span(seconds)}</dd>
                  </div>
                ),
            )}
          </dl>
        </Popover>
      )}
    </div>
  );
}
