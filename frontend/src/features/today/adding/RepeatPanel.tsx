import { useState } from "react";
import type { Repeat } from "../../../api/client";
import { say } from "../../../phrases/screens/today/booking";
import { Button } from "../../../ui/Button";
import { MomentEntry } from "../../../ui/form/MomentEntry";
import { NumberEntry } from "../../../ui/form/NumberEntry";

/** Every how many weeks, and how often or until when: without an end nothing is repeated. */
export function RepeatPanel({
  repeat,
  onTake,
}: {
  repeat: Repeat | null;
  onTake(repeat: Repeat | null): void;
}) {
  const [weeks, setWeeks] = useState(String(repeat?.every_weeks ?? 1));
  const [count, setCount] = useState(String(repeat?.count ?? (repeat?.until ? "" : 6)));
  const [until, setUntil] = useState(repeat?.until ?? "");
  const number = (typed: string, least: number, most: number) =>
    Number.isInteger(Number(typed)) && Number(typed) >= least && Number(typed) <= most;
  const ends = until ? true : number(count, 2, 60);
  const whole = number(weeks, 1, 26) && ends;
  function take() {
    if (whole) onTake({ every_weeks: Number(weeks), ...(until ? { until } : { count: Number(count) }) });
  }
  return (
    <span className="grid gap-3">
      <span className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <NumberEntry
          label={say.everyWeeks}
          value={weeks}
          least={1}
          most={26}
          onType={setWeeks}
          onEnter={take}
        />
        <NumberEntry
          label={say.timesInAll}
          value={count}
          least={2}
          most={60}
          optional
          onType={(typed) => {
            setCount(typed);
            setUntil("");
          }}
          onEnter={take}
        />
        <MomentEntry
          kind="date"
          label={say.untilDay}
          value={until}
          optional
          onType={(typed) => {
            setUntil(typed);
            setCount("");
          }}
          onEnter={take}
        />
      </span>
      <span className="flex gap-2">
        <Button className="bg-base-300" disabled={!whole} onClick={take}>
          {say.repeatIt}
        </Button>
        {repeat && <Button onClick={() => onTake(null)}>{say.justOnce}</Button>}
      </span>
    </span>
  );
}
