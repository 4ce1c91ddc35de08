import { useEffect, useState } from "react";
import type { Catalogue } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { shared } from "../../../phrases/screens/shared";
import { say } from "../../../phrases/screens/work/points";
import { advice } from "../../../phrases/table/pointAdvice";
import { capital, listed, placeName, zoneName } from "../../../phrases/words";
import { isOpen, type SorePoint } from "../../../tableside/points";
import { nextHoldSeconds } from "../../../tableside/treating";
import { Button } from "../../../ui/Button";
import type { Happen } from "../run/useRun";

export function nameOf(point: Pick<SorePoint, "region" | "side" | "zone">, catalogue: Catalogue): string {
  const region = catalogue.regions[point.region];
  if (!point.zone) return capital(placeName(point, catalogue));
  const side = region?.sides === "mid" && point.side !== "mid" ? `${point.side} ` : "";
  return capital(side + zoneName(point.zone, region));
}

interface Props {
  point: SorePoint;
  ceiling: number;
  /** Seconds of one hold. */
  hold: number;
  happen: Happen;
  onDone(): void;
}

/** One point: its numbers, its holds, where it travels, and what the last number says to do. */
export function OnePoint({ point, ceiling, hold, happen, onDone }: Props) {
  const catalogue = useCatalogue();
  const [holding, setHolding] = useState(false);
  const [travels, setTravels] = useState("");
  const over = (point.numbers.at(-1) ?? 0) > ceiling;
  const held = (seconds: number) => {
    setHolding(false);
    happen(() => ({ kind: "point_held", point: point.id, seconds }));
  };
  return (
    <section aria-label={nameOf(point, catalogue)} className="grid gap-4">
      <h3 className="text-2xl">
        {nameOf(point, catalogue)}
        <span className="numbers ml-4">{point.numbers.join(", ")}</span>
        <span className="ml-4 text-quiet">
          {point.holds} of 3 holds
          {point.travels.length > 0 && shared.travelsTo(listed(point.travels))}
        </span>
      </h3>
      <p role="status" className={`text-2xl ${over ? "font-bold text-accent" : ""}`}>
        {over && <span aria-hidden="true">△ </span>}
        {advice(point, ceiling)}
      </p>
      <fieldset className="flex flex-wrap gap-2">
        <legend className="mb-1 text-xl">{say.clientsNumber}</legend>
        {Array.from({ length: 11 }, (_, number) => (
          <Button
            key={String(number)}
            className="size-16 text-2xl"
            onClick={() => happen(() => ({ kind: "point_rated", point: point.id, number }))}
          >
            {number}
          </Button>
        ))}
      </fieldset>
      {holding ? (
        <Holding hold={nextHoldSeconds(point, hold)} onHeld={held} />
      ) : (
        <div className="flex flex-wrap gap-3">
          <Button
            look="main"
            className="h-20 px-8 text-2xl"
            disabled={!isOpen(point) || over || point.numbers.length === 0}
            onClick={() => setHolding(true)}
          >
            Start hold
          </Button>
          <Button
            className="h-20 px-6 text-xl"
            disabled={point.left}
            onClick={() => happen(() => ({ kind: "point_left", point: point.id }))}
          >
            {say.slowToEaseLeaveIt}
          </Button>
          <form
            className="flex flex-wrap gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              if (travels.trim())
                happen(() => ({ kind: "point_travels", point: point.id, to: travels.trim() }));
              setTravels("");
            }}
          >
            <input
              className="input h-20 w-56 text-xl"
              aria-label="Travels to"
              placeholder="Travels to …"
              maxLength={120}
              value={travels}
              onChange={(event) => setTravels(event.target.value)}
            />
            <Button type="submit" className="h-20 px-6 text-xl">
              Save
            </Button>
          </form>
        </div>
      )}
      <div className="flex flex-wrap gap-3">
        <Button className="min-h-14 px-6 text-xl" onClick={onDone}>
          Another point
        </Button>
        <Button
          look="quiet"
          className="min-h-14 px-6 text-xl"
          onClick={() => {
            happen(() => ({ kind: "point_withdrawn", point: point.id }));
            onDone();
          }}
        >
          {say.setByMistake}
        </Button>
      </div>
    </section>
  );
}

/** A hold that counts by itself; the water sinks with the breath out. */
function Holding({ hold, onHeld }: { hold: number; onHeld(seconds: number): void }) {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setSeconds((so_far) => so_far + 1), 1000);
    return () => clearInterval(timer);
  }, []);
  return (
    <div className="relative max-w-xl overflow-hidden rounded-box bg-base-200 px-6 py-5">
      <div
        aria-hidden="true"
        className="absolute inset-0 bg-tide-faint transition-transform duration-1000 ease-linear"
        style={{ transform: `translateY(${Math.min(100, (seconds / hold) * 100)}%)` }}
      />
      <div className="relative flex flex-wrap items-center gap-5">
        <p className="numbers text-4xl" role="timer" aria-label="Held for">
          {seconds} s
        </p>
        <p className="text-xl">{seconds < hold ? say.press : say.release}</p>
        <Button
          look="main"
          className="h-16 px-6 text-xl"
          onClick={() => onHeld(Math.min(120, Math.max(1, seconds)))}
        >
          Let go
        </Button>
      </div>
    </div>
  );
}
