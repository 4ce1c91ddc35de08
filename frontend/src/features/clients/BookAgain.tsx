import { Link } from "@tanstack/react-router";
import type { ClientPage } from "../../api/client";
import { say } from "../../phrases/screens/clients/page";
import { clockTime, dayInWords, hourInWords } from "../../phrases/time";

/** Booking the client again: on the same weekday and at the same hour in some weeks, or at another time. */
export function BookAgain({ client }: { client: ClientPage }) {
  const id = client.client_id;
  const again = client.again.length > 0;
  return (
    <nav
      aria-label={again ? say.bookAgain : say.bookFirst}
      className="mt-2 flex flex-wrap items-center gap-2"
    >
      <span className="text-quiet">{again ? say.bookAgain : say.bookFirst}</span>
      {client.again.map(({ day, at }) => (
        <Link
          key={day}
          to="/"
          search={{ client: id, day, at: clockTime(at) }}
          className="btn min-h-11 bg-base-200 font-normal"
        >
          {dayInWords(day)}, {hourInWords(at)}
        </Link>
      ))}
      <Link to="/" search={{ client: id }} className="btn btn-ghost min-h-11 font-normal">
        {again ? say.anotherTime : say.nextFreeHour}
      </Link>
    </nav>
  );
}
