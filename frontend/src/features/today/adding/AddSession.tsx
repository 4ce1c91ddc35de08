import { Link } from "@tanstack/react-router";
import type { RefObject } from "react";
import type { LocalStart } from "../../../api/client";
import { say } from "../../../phrases/screens/today/booking";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";
import type { Done } from "../done";
import { BookingRead } from "./BookingRead";
import { type AddingFrom, useAdding } from "./useAdding";

interface Props {
  from: AddingFrom;
  line: RefObject<HTMLInputElement | null>;
  onBooked(done: Done, start: LocalStart): void;
}

/** A session added by typing one line, read while it is typed; each word of the reading can be picked instead. */
export function AddSession({ from, line, onBooked }: Props) {
  const adding = useAdding(from, onBooked);
  const { reading, proposal, trial, clashes, storing } = adding;
  const clashing = clashes.length > 0;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        adding.send();
      }}
      aria-label={say.addSession}
      className="mt-3"
    >
      <div className="flex flex-wrap gap-2">
        <input
          ref={line}
          className="input min-h-12 min-w-0 flex-1 text-lg"
          aria-label={say.addSession}
          placeholder={`${say.addSession}: ${say.addHint}`}
          maxLength={200}
          autoComplete="off"
          value={adding.typed}
          onChange={(event) => adding.type(event.target.value)}
          onKeyDown={(event) => event.key === "Escape" && adding.clear()}
        />
        <Link to="/walk-in" className="btn min-h-12 bg-base-300">
          {say.walkIn}
        </Link>
      </div>
      {reading.error && <ProblemNote error={reading.error} onAgain={() => reading.refetch()} />}
      {proposal && (
        <BookingRead
          proposal={proposal}
          trial={trial.data}
          repeat={adding.repeat}
          clashes={clashes}
          flow={adding.flow}
          onPick={adding.pick}
          onRepeat={adding.setRepeat}
        >
          {trial.error && <ProblemNote error={trial.error} />}
          {storing.error && <ProblemNote error={storing.error} />}
          {adding.bookable && (
            <Button look={clashing ? "warn" : "main"} type="submit" disabled={!adding.ready}>
              {!trial.data && !trial.error ? `${say.planning} …` : clashing ? say.bookAnyway : say.book}
            </Button>
          )}
        </BookingRead>
      )}
    </form>
  );
}
