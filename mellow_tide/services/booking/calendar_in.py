"""A file of another calendar: what of it becomes sessions and what blocks time, looked at first, then taken whole."""

from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date, datetime, timedelta
from typing import Annotated, Literal
from uuid import UUID, uuid4, uuid5

from pydantic import AwareDatetime, Field

from mellow_tide.core.booking.clashes import Clash
from mellow_tide.core.booking.starts import LocalStart
from mellow_tide.core.booking.typed_booking import is_bookable
from mellow_tide.core.catalogue.records import LONGEST_BOOKING, SHORTEST_BOOKING, Record
from mellow_tide.core.formats.calendar_file import CalendarEvent, CalendarFile, EventTime, read_calendar_file
from mellow_tide.core.meeting.record import ClientName, ClientRecord
from mellow_tide.core.refusal import FieldProblem, Refused
from mellow_tide.services.booking.calendar_undo import CalendarReceipt, blocks_before
from mellow_tide.services.booking.client_names import ClientNames, Whom, fold_name
from mellow_tide.services.booking.clock import PracticeClock, read_clock
from mellow_tide.services.booking.judging import Accepted, Placed, judge, refuse_clashes
from mellow_tide.services.booking.worked_out import Booking, add_placed, work_out
from mellow_tide.services.desk import Desk
from mellow_tide.services.meeting.evidence import Told, tell_new
from mellow_tide.services.refusals import BadEntry
from mellow_tide.store.bookings import hold_bookings, list_bookings_named, list_starts
from mellow_tide.store.calendar.blocks import BlockRow, delete_blocks, list_blocks_of_events, set_blocks
from mellow_tide.store.database import Transaction
from mellow_tide.store.meeting.clients import ContactRow, list_contacts

AHEAD = timedelta(days=366)
MOST_SESSIONS = 120
"""Sessions of one file: as many as a full month has."""

Becomes = Literal["session", "block", "leave_out"]


class CalendarLine(Record):
    """An event of the file: when it is first and how often, and what is proposed for it.

    `client_name`: the client whose name is in its title. `there`: times of it that are here already, as in the file;
    `moved_there`: sessions of it that are at another time here. `no_session`: why it can be no session, or "".
    """

    uid: str
    title: str
    first: AwareDatetime
    minutes: int
    whole_days: bool
    times: int
    moved: int
    becomes: Becomes
    client_name: str
    there: int
    moved_there: int
    no_session: str


class CancelledSession(Record):
    """A session that is booked here though its event is cancelled there; `day` is by the practice's clock."""

    session_id: UUID
    client_name: str
    day: date
    starts_at: AwareDatetime


class CalendarPreview(Record):
    """The events of a file; the titles of those that cannot be read; how many blocks go, since their event is gone.

    `cancelled`: sessions to come whose event is cancelled in the file, in order; they stay until they are cancelled
    here.
    """

    lines: tuple[CalendarLine, ...]
    unread: tuple[str, ...]
    blocks_gone: int
    cancelled: tuple[CancelledSession, ...] = ()


class EventChoice(Record):
    """What an event becomes; a session is for the client of that name, or for somebody new."""

    uid: Annotated[str, Field(max_length=400)]
    becomes: Becomes
    client_name: ClientName | None = None


class CalendarTaken(Record):
    """What changed: sessions that were booked, times that were blocked or moved, blocks that went; and its receipt."""

    sessions: int
    blocks: int
    blocks_gone: int
    receipt: CalendarReceipt


def preview_calendar(desk: Desk, text: str) -> CalendarPreview:
    """What is in a file for whoever asks, and what each of it would become; nothing is changed.

    Raises `UnreadableCalendar`.
    """
    with desk.reading() as t:
        clock, contacts = read_clock(desk, t), list_contacts(t)
    file = _read(text, clock)
    # Whose blocks they are the transaction must see, though nothing is written.
    with desk.writing() as t:
        there = _There.read(desk, t, file, clock)
        cancelled = list_bookings_named(
            t, [_own_id(desk, "session", one.uid, one.mark) for one in file.cancelled], clock.now
        )
    names = ClientNames(contacts)
    return CalendarPreview(
        lines=tuple(_line(desk, event, there, names, clock) for event in file.events),
        unread=file.unread,
        blocks_gone=sum(row.event_uid in file.gone for row in there.blocks),
        cancelled=tuple(
            CancelledSession(
                session_id=row.session_id,
                client_name=row.client_name,
                day=LocalStart.of(row.starts_at, clock.zone).day,
                starts_at=row.starts_at,
            )
            for row in cancelled
        ),
    )


def take_calendar(desk: Desk, text: str, chosen: Sequence[EventChoice], accepted: Accepted) -> CalendarTaken:
    """Book and block what was chosen, all of it or nothing; what is there already stays as it is.

    Raises `UnreadableCalendar`, `BadEntry`, `NotThere`, `Clashing` for what was not accepted, and the core's refusals.
    """
    with desk.reading() as t:
        clock, names = read_clock(desk, t), ClientNames(list_contacts(t))
    file = _read(text, clock)
    by_uid = {one.uid: one for one in chosen}
    wanted = [(event, by_uid[event.uid]) for event in file.events if event.uid in by_uid and not event.own]
    to_block = [event for event, one in wanted if one.becomes == "block"]
    to_book = [(event, one) for event, one in wanted if one.becomes == "session"]
    if sum(len(event.times) for event, _ in to_book) > MOST_SESSIONS:
        raise BadEntry(FieldProblem("chosen", "too_many_sessions", most=MOST_SESSIONS))
    with desk.writing() as t:
        there = _There.read(desk, t, file, clock)
    booked = [
        _work_out(desk, event, names.find_whom(one.client_name), there, clock) for event, one in to_book
    ]
    with desk.writing() as t:
        # Two files at once take turns, and what was booked meanwhile is seen.
        hold_bookings(t)
        there = _There.read(desk, t, file, clock)
        blocks = [row for event in to_block for row in _blocks_of(desk, event)]
        kept = {row.block_id for row in blocks}
        about = {event.uid for event, one in wanted if one.becomes != "leave_out"} | set(file.gone)
        gone = [row.block_id for row in there.blocks if row.event_uid in about and row.block_id not in kept]
        changed = [row for row in blocks if row not in there.blocks]
        delete_blocks(t, gone)
        set_blocks(t, changed)
        booked = [one.without(there.starts) for one in booked]
        clashes, new_clients = _store(t, desk, clock, booked)
        refuse_clashes(clashes, accepted)
    touched = {*gone, *(row.block_id for row in changed)}
    receipt = CalendarReceipt(
        sessions=tuple(one.session_id for event in booked for one in event.placed),
        clients=tuple(new_clients),
        blocked=tuple(row.block_id for row in changed),
        before=blocks_before(row for row in there.blocks if row.block_id in touched),
    )
    return CalendarTaken(
        sessions=len(receipt.sessions), blocks=len(changed), blocks_gone=len(gone), receipt=receipt
    )


@dataclass(frozen=True)
class _There:
    """What of a file is here already: the blocks of its events, and when its sessions start."""

    blocks: Sequence[BlockRow]
    starts: Mapping[UUID, datetime]

    @classmethod
    def read(cls, desk: Desk, t: Transaction, file: CalendarFile, clock: PracticeClock) -> "_There":
        uids = [*(event.uid for event in file.events), *file.gone]
        sessions = [_session_id(desk, event, time) for event in file.events for time in event.times]
        return cls(list_blocks_of_events(t, uids, clock.now), list_starts(t, sessions))


@dataclass(frozen=True)
class _Booked:
    """The sessions of an event, and for whom."""

    placed: tuple[Placed, ...]
    client_id: UUID
    new: ClientRecord | None

    def without(self, there: Collection[UUID]) -> "_Booked":
        """Those that are not there already."""
        return replace(self, placed=tuple(one for one in self.placed if one.session_id not in there))


def _read(text: str, clock: PracticeClock) -> CalendarFile:
    return read_calendar_file(text, clock.zone, clock.now, clock.now + AHEAD)


def _line(
    desk: Desk, event: CalendarEvent, there: _There, names: ClientNames, clock: PracticeClock
) -> CalendarLine:
    client = names.find_in(event.title)
    no_session = _why_no_session(desk, event, client, clock)
    blocked = set(_blocks_of(desk, event)) & set(there.blocks)
    booked = [(one, there.starts.get(_session_id(desk, event, one))) for one in event.times]
    at_its_time = sum(start == one.starts_at for one, start in booked)
    becomes: Becomes = "leave_out" if event.own or event.keeps_free else "block"
    if any(start for _, start in booked) or (client and not no_session and becomes == "block"):
        becomes = "session"
    return CalendarLine(
        uid=event.uid,
        title=event.title,
        first=event.times[0].starts_at,
        minutes=_minutes(event.times[0]),
        whole_days=event.whole_days,
        times=len(event.times),
        moved=event.moved,
        becomes=becomes,
        client_name=client.name if client else "",
        there=len(event.times) if event.own else len(blocked) + at_its_time,
        moved_there=sum(start not in (None, one.starts_at) for one, start in booked),
        no_session=no_session,
    )


def _why_no_session(desk: Desk, event: CalendarEvent, client: ContactRow | None, clock: PracticeClock) -> str:
    try:
        _check_bookable(event)
        if client and not event.own:
            # The first of them is tried: whoever cannot be planned for now cannot be booked.
            whom = Whom(client.client_id)
            work_out(desk, _booking(desk, event, event.times[0], whom, clock), desk.person_id)
    except Refused as refused:
        return refused.problems[0].sentence
    return ""


def _check_bookable(event: CalendarEvent) -> None:
    if event.whole_days:
        raise BadEntry(FieldProblem("chosen", "whole_day_session", title=event.title))
    for time in event.times:
        if not is_bookable(_minutes(time)):
            problem = {"minutes": _minutes(time), "least": SHORTEST_BOOKING, "most": LONGEST_BOOKING}
            raise BadEntry(FieldProblem("chosen", "unbookable_minutes", **problem))


def _work_out(desk: Desk, event: CalendarEvent, whom: Whom, there: _There, clock: PracticeClock) -> _Booked:
    """The sessions of an event that are not there yet, with their plans."""
    _check_bookable(event)
    placed: list[Placed] = []
    for time in event.times:
        if _session_id(desk, event, time) not in there.starts:
            placed += work_out(desk, _booking(desk, event, time, whom, clock), desk.person_id).placed
    new = ClientRecord(name=whom.new_name) if whom.new_name else None
    return _Booked(tuple(placed), whom.client_id or uuid4(), new)


def _booking(desk: Desk, event: CalendarEvent, time: EventTime, whom: Whom, clock: PracticeClock) -> Booking:
    return Booking(
        session_id=_session_id(desk, event, time),
        client_id=whom.client_id,
        new_name=whom.new_name,
        minutes=_minutes(time),
        start=LocalStart.of(time.starts_at, clock.zone),
    )


def _store(
    t: Transaction, desk: Desk, clock: PracticeClock, booked: Sequence[_Booked]
) -> tuple[list[Clash], Collection[UUID]]:
    """Book them, each judged with those before it in the day; what does not go, and the clients that are new."""
    clashes: list[Clash] = []
    # Somebody new who is named at two events is one client.
    new_clients: dict[str, UUID] = {}
    for one in booked:
        if not one.placed:
            continue
        client_id = one.client_id
        if one.new:
            key = fold_name(one.new.name)
            if key not in new_clients:
                tell_new(t, desk, client_id, one.new, Told("import"))
            client_id = new_clients.setdefault(key, client_id)
        clashes += judge(desk, t, clock, one.placed, clock.today).clashes
        add_placed(t, one.placed, client_id, one.placed[0].session_id if len(one.placed) > 1 else None)
    return clashes, new_clients.values()


def _blocks_of(desk: Desk, event: CalendarEvent) -> Iterator[BlockRow]:
    for time in event.times:
        yield BlockRow(
            block_id=_own_id(desk, "block", event.uid, time.mark),
            title=event.title,
            starts_at=time.starts_at,
            ends_at=time.ends_at,
            whole_days=event.whole_days,
            event_uid=event.uid,
        )


def _session_id(desk: Desk, event: CalendarEvent, time: EventTime) -> UUID:
    return _own_id(desk, "session", event.uid, time.mark)


def _own_id(desk: Desk, what: str, uid: str, mark: str) -> UUID:
    """The same for the same time of an event whenever its file comes, and another for somebody else."""
    return uuid5(desk.person_id, f"{what} {uid} {mark}")


def _minutes(time: EventTime) -> int:
    return round((time.ends_at - time.starts_at).total_seconds() / 60)
