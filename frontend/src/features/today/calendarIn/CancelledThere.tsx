import { Link } from "@tanstack/react-router";
import type { CalendarPreview } from "../../../api/client";
import { say } from "../../../phrases/screens/today/calendarIn";
import { dayAndTime } from "../../../phrases/time";

interface Props {
  sessions: NonNullable<CalendarPreview["cancelled"]>;
  timeZone: string;
}

/** Sessions that are booked here though the other calendar has cancelled their event. */
export function CancelledThere({ sessions, timeZone }: Props) {
  if (sessions.length === 0) return null;
  const now = new Date();
  return (
    <div className="mt-2">
      <p className="text-accent">△ {say.cancelledThere(sessions.length)}</p>
      <ul className="mt-1">
        {sessions.map((one) => (
          <li key={one.session_id}>
            <Link
              to="/"
              search={{ day: one.day }}
              className="inline-flex min-h-11 items-center underline underline-offset-4"
            >
              {one.client_name}, {dayAndTime(one.starts_at, timeZone, now)}
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}
