import type { CalendarLine } from "../../../api/client";
import { say } from "../../../phrases/screens/today/calendarIn";
import { dayAndTime, shortDay } from "../../../phrases/time";
import type { PickedEvent } from "./useCalendarIn";

interface Props {
  line: CalendarLine;
  timeZone: string;
  choice: PickedEvent;
  onChoose(choice: PickedEvent): void;
}

/** An event of the file: when it is, and what it is to become. */
export function CalendarEvent({ line, timeZone, choice, onChoose }: Props) {
  const title = line.title || say.untitled;
  const now = new Date();
  const when = line.whole_days ? shortDay(line.first, timeZone, now) : dayAndTime(line.first, timeZone, now);
  const facts = [
    when,
    line.whole_days ? say.allDay : say.lasts(line.minutes),
    say.times(line.times),
    say.moved(line.moved),
  ];
  return (
    <li className="grid items-center gap-x-6 gap-y-1 border-t border-base-300 py-2 lg:grid-cols-[minmax(0,1fr)_12rem_16rem]">
      <span>
        <b>{title}</b>
        <span className="block text-quiet">{facts.filter(Boolean).join(", ")}</span>
        <Notes line={line} choice={choice} />
      </span>
      <select
        className="select min-h-11 w-full"
        aria-label={say.becomes(title)}
        value={choice.becomes}
        onChange={(event) => onChoose({ ...choice, becomes: event.target.value as PickedEvent["becomes"] })}
      >
        <option value="session" disabled={line.no_session !== "" && choice.becomes !== "session"}>
          {say.session}
        </option>
        <option value="block">{say.blockedTime}</option>
        <option value="leave_out">{say.leaveOut}</option>
      </select>
      {choice.becomes === "session" && (
        <input
          className="input min-h-11 w-full"
          aria-label={say.clientOf(title)}
          placeholder={say.clientName}
          maxLength={120}
          value={choice.client}
          onChange={(event) => onChoose({ ...choice, client: event.target.value })}
        />
      )}
    </li>
  );
}

/** What is to be known before it is taken. */
function Notes({ line, choice }: { line: CalendarLine; choice: PickedEvent }) {
  const here = line.there === line.times ? say.alreadyHere : line.there > 0 ? say.someHere(line.there) : "";
  const known = line.client_name.toLowerCase() === choice.client.trim().toLowerCase();
  return (
    <>
      {here && <span className="block text-quiet italic">{here}</span>}
      {line.moved_there > 0 && <span className="block text-accent">△ {say.elsewhere(line.moved_there)}</span>}
      {line.no_session && line.client_name && choice.becomes !== "leave_out" && (
        <span className="block text-accent">△ {line.no_session}</span>
      )}
      {choice.becomes === "session" && !known && choice.client.trim() && line.there < line.times && (
        <span className="block text-quiet">{say.newClient(choice.client.trim())}</span>
      )}
    </>
  );
}
