import { useQuery } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { meQuery } from "../../../api/queries";
import { say } from "../../../phrases/screens/today/calendarIn";
import { Button } from "../../../ui/Button";
import { FileInput } from "../../../ui/form/FileInput";
import { ProblemNote } from "../../../ui/ProblemNote";
import { Waiting } from "../../../ui/Waiting";
import { Clashes } from "../Clashes";
import { CalendarEvent } from "./CalendarEvent";
import { CancelledThere } from "./CancelledThere";
import { useCalendarIn } from "./useCalendarIn";

/** A file of another calendar: every event looked at, then taken, all that is chosen or nothing. */
export function CalendarInPage() {
  const me = useQuery(meQuery).data;
  const incoming = useCalendarIn();
  const { preview, reading, taking, clashes } = incoming;
  return (
    <>
      <h1 className="text-3xl">{say.importCalendar}</h1>
      <p className="mt-1 max-w-[70ch]">{say.whatMayComeIn}</p>
      <Done incoming={incoming} />
      <FileInput accept=".ics,.ical,text/calendar" onFile={incoming.read} />
      {reading.isPending && <Waiting what={say.readingFile} shape="list" />}
      {reading.error && <ProblemNote error={reading.error} />}
      {preview && me && (
        <section aria-label="Events" className="mt-6">
          <h2 className="text-2xl">
            {preview.lines.length === 0 ? say.nothingAhead : say.events(preview.lines.length)}
          </h2>
          {preview.unread.length > 0 && <p className="mt-1 text-accent">△ {say.unread(preview.unread)}</p>}
          <CancelledThere sessions={preview.cancelled ?? []} timeZone={me.time_zone} />
          {preview.blocks_gone > 0 && <p className="mt-1">{say.blocksGo(preview.blocks_gone)}</p>}
          <ul className="mt-2">
            {preview.lines.map((line) => (
              <CalendarEvent
                key={line.uid}
                line={line}
                timeZone={me.time_zone}
                choice={incoming.choices[line.uid] ?? { becomes: line.becomes, client: "" }}
                onChoose={(choice) => incoming.choose(line.uid, choice)}
              />
            ))}
          </ul>
          {clashes.length > 0 && (
            <div className="mt-4">
              <Clashes clashes={clashes} />
            </div>
          )}
          {taking.error && clashes.length === 0 && <ProblemNote error={taking.error} />}
          <Button
            look={clashes.length > 0 ? "warn" : "main"}
            className="mt-4"
            disabled={
              taking.isPending ||
              incoming.nameless ||
              incoming.sessions + incoming.blocks + preview.blocks_gone === 0
            }
            onClick={incoming.take}
          >
            {taking.isPending
              ? say.importing
              : clashes.length > 0
                ? say.importAnyway
                : say.take(incoming.sessions, incoming.blocks)}
          </Button>
        </section>
      )}
    </>
  );
}

/** What an import did, and its undo. */
function Done({ incoming: { taking, undoing } }: { incoming: ReturnType<typeof useCalendarIn> }) {
  const taken = taking.data;
  const changed = taken && taken.sessions + taken.blocks + taken.blocks_gone > 0;
  return (
    <>
      {taken && (
        <p role="status" className="mt-4 flex flex-wrap items-center gap-x-4 text-lg">
          {say.taken(taken.sessions, taken.blocks, taken.blocks_gone)}
          {changed && (
            <Button disabled={undoing.isPending} onClick={() => undoing.mutate(taken.receipt)}>
              {undoing.isPending ? say.undoing : "Undo"}
            </Button>
          )}
          <Link to="/" className="underline underline-offset-4">
            {say.toTheDay}
          </Link>
        </p>
      )}
      {undoing.data && (
        <p role="status" className="mt-4 text-lg">
          {say.undone(undoing.data.sessions_kept)}
        </p>
      )}
      {undoing.error && <ProblemNote error={undoing.error} />}
    </>
  );
}
