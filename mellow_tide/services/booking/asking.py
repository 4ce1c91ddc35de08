"""A booking as it is typed or picked, read while one types: for whom, what, how long, when, and what does not go."""

from dataclasses import dataclass
from datetime import date, time, timedelta
from typing import Annotated
from uuid import UUID, uuid4

from pydantic import AwareDatetime, Field

from mellow_tide.core.booking.clashes import Booked, Clash
from mellow_tide.core.booking.free import Diary
from mellow_tide.core.booking.hours import Hours, LocalTime
from mellow_tide.core.booking.starts import AHEAD, LocalStart, may_book_on
from mellow_tide.core.booking.typed_booking import TypedBooking, is_bookable, read_booking
from mellow_tide.core.booking.typed_day import read_day
from mellow_tide.core.catalogue.records import LONGEST_BOOKING, SHORTEST_BOOKING, Record
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.meeting.record import ClientName, ClientRecord
from mellow_tide.core.phrases.book import say
from mellow_tide.core.refusal import FieldProblem
from mellow_tide.services.booking.clock import PracticeClock, read_clock, read_hours_of
from mellow_tide.services.booking.judging import Wanted, find_clashes_of
from mellow_tide.services.booking.planned import BookingBasis, read_basis
from mellow_tide.services.desk import Desk
from mellow_tide.store.bookings import list_bookings
from mellow_tide.store.calendar.blocks import list_blocks
from mellow_tide.store.database import Transaction
from mellow_tide.store.meeting.clients import ClientLine, find_client, search_clients
from mellow_tide.store.sessions import Between

NOBODY = BookingBasis(ClientRecord(name="Nobody"))
"""Somebody of whom nothing is known yet."""

MOST_CANDIDATES = 5
OTHER_STARTS = 3
HORIZON = timedelta(days=62)
"""How far bookings are looked at for a free start."""

Line = Annotated[str, Field(max_length=200)]


class Picked(Record):
    """What of a booking was picked by hand; it goes before what was typed."""

    client_id: UUID | None = None
    new_name: ClientName | None = None
    kind: Annotated[str, Field(max_length=40)] | None = None
    minutes: Annotated[int, Field(ge=0, le=10_000)] | None = None
    start: LocalStart | None = None


class Candidate(Record):
    """A client that the letters could mean, with when they were here last."""

    client_id: UUID
    name: str
    last_at: AwareDatetime | None


class Proposal(Record):
    """A booking as it is understood.

    `client` is None for somebody new, who is then called `new_name`; `candidates` are others that the letters could
    mean. `free` are further starts that keep hours and gaps. `visits`: how often the client has been here; the plan is
    as last time if that is not 0. `clashes` are told before anything is stored. `problems` say what is still missing or
    cannot be; without any the booking is `ready`.
    """

    client: Candidate | None
    new_name: str
    candidates: tuple[Candidate, ...]
    brief: Brief
    start: LocalStart
    free: tuple[LocalStart, ...]
    now: bool
    visits: int
    clashes: tuple[Clash, ...]
    problems: tuple[str, ...]
    ready: bool


class DayNamed(Record):
    """The day that was typed, None where it is none."""

    day: LocalStart | None


def name_day(desk: Desk, typed: str) -> DayNamed:
    """The day that is typed: a weekday, a date, “in 2 weeks”."""
    with desk.reading() as t:
        today = read_clock(desk, t).today
    words = typed.lower().replace(",", " ").split()
    found = read_day(words, today)
    known = found and found[1] == len(words) and may_book_on(found[0], today)
    return DayNamed(day=LocalStart(day=found[0], at=time()) if found and known else None)


def propose(desk: Desk, line: Line, picked: Picked) -> Proposal:
    """What a line and what was picked say of a booking; the rest as the client, the hours and the house have it.

    Raises `NotThere` for a client and `UnknownReference` for a kind that does not exist.
    """
    with desk.reading() as t:
        clock, hours = read_clock(desk, t), read_hours_of(t, desk.person_id)
        typed = read_booking(line, hours, clock.today, desk.catalogue.kinds)
        found = _find_clients(t, typed, picked)
    known = found[0] if found and not _is_new(typed, picked) else None
    basis = read_basis(desk, known.client_id) if known else NOBODY
    minutes = typed.minutes if picked.minutes is None else picked.minutes
    usable = minutes if minutes is not None and is_bookable(minutes) else None
    brief = basis.make_brief(picked.kind or typed.kind, usable, desk.catalogue, clock.today)
    with desk.reading() as t:
        asked = _Asked(t, desk, clock, hours, brief.booked_minutes)
        start, free = asked.find_start(typed, picked)
        problems = tuple(_problems(minutes, usable, start, clock))
        clashes = asked.find_clashes(start, known, _new_name(typed, picked)) if not problems else ()
    named = known is not None or bool(_new_name(typed, picked))
    return Proposal(
        client=_candidate(known) if known else None,
        new_name=_new_name(typed, picked),
        candidates=tuple(_candidate(one) for one in found if one is not known),
        brief=brief,
        start=start,
        free=free,
        now=typed.now and picked.start is None,
        visits=basis.visits,
        clashes=clashes,
        problems=tuple(problem.sentence for problem in problems),
        ready=named and not problems,
    )


def _problems(
    minutes: int | None, usable: int | None, start: LocalStart, clock: PracticeClock
) -> list[FieldProblem]:
    found = []
    if minutes is not None and usable is None:
        found.append(
            FieldProblem(
                "minutes",
                "unbookable_minutes",
                minutes=minutes,
                least=SHORTEST_BOOKING,
                most=LONGEST_BOOKING,
            )
        )
    return found + list(check_day(start, clock))


def check_day(start: LocalStart, clock: PracticeClock) -> list[FieldProblem]:
    """What is wrong with the day of a booking: a slip of the year, or too far ahead."""
    if may_book_on(start.day, clock.today):
        return []
    latest = clock.today + AHEAD
    return [FieldProblem("start", "unbookable_day", day=start.day.isoformat(), latest=latest.isoformat())]


def _find_clients(t: Transaction, typed: TypedBooking, picked: Picked) -> list[ClientLine]:
    if picked.client_id:
        name = find_client(t, picked.client_id).record.name
        found = search_clients(t, name, True, MOST_CANDIDATES)
        return [one for one in found if one.client_id == picked.client_id]
    return search_clients(t, typed.name, False, MOST_CANDIDATES) if typed.name else []


def _is_new(typed: TypedBooking, picked: Picked) -> bool:
    if picked.client_id:
        return False
    return typed.new or picked.new_name is not None


def _new_name(typed: TypedBooking, picked: Picked) -> str:
    if picked.client_id:
        return ""
    return picked.new_name or typed.name[:120]


def _candidate(line: ClientLine) -> Candidate:
    return Candidate(client_id=line.client_id, name=line.name, last_at=line.last_at)


@dataclass(frozen=True)
class _Asked:
    """A booking of so many minutes that looks for its start."""

    t: Transaction
    desk: Desk
    clock: PracticeClock
    hours: Hours
    minutes: int

    def find_start(self, typed: TypedBooking, picked: Picked) -> tuple[LocalStart, tuple[LocalStart, ...]]:
        """The start that was said, or else the next free one; and further free ones from there on."""
        local = self.clock.local
        said = picked.start or (local if typed.now else self._said(typed.day, typed.at))
        if said:
            from_then = LocalStart(day=said.day, at=time()) if said.day > local.day else local
            return said, self._others(self._free(from_then), said)
        begin = local
        if typed.day and typed.day != local.day:
            begin = LocalStart(day=typed.day, at=time())
        free = self._free(begin)
        first = free[0] if free else None
        if first is None or (typed.day and first.day != typed.day):
            # The day that was asked for has nothing free: its first hour, with what does not go.
            first = LocalStart(day=begin.day, at=self.hours.first_start)
        return first, self._others(free, first)

    def find_clashes(self, start: LocalStart, known: ClientLine | None, new_name: str) -> tuple[Clash, ...]:
        """What does not go at that start."""
        booked = Booked(
            session_id=uuid4(),
            client_name=known.name if known else new_name or say("booking.this_session"),
            starts_at=start.instant(self.clock.zone),
            minutes=self.minutes,
        )
        client_id = known.client_id if known else None
        return find_clashes_of(self.t, self.clock, Wanted(booked, self.desk.person_id, client_id))

    def _said(self, day: date | None, at: LocalTime | None) -> LocalStart | None:
        if at is None:
            return None
        local = self.clock.local
        if day:
            return LocalStart(day=day, at=at)
        return LocalStart(day=local.day + timedelta(days=at < local.at), at=at)

    def _free(self, begin: LocalStart) -> tuple[LocalStart, ...]:
        if not may_book_on(begin.day, self.clock.today):
            return ()
        start = begin.instant(self.clock.zone)
        ahead = Between(start - timedelta(days=1), start + HORIZON)
        booked = [row.booked for row in list_bookings(self.t, ahead, self.desk.person_id)]
        blocks = list_blocks(self.t, ahead, self.desk.person_id)
        diary = Diary(booked, self.hours, self.clock.zone, blocks)
        return diary.find_free_starts(self.minutes, begin, OTHER_STARTS + 2)

    def _others(self, free: tuple[LocalStart, ...], chosen: LocalStart) -> tuple[LocalStart, ...]:
        return tuple(start for start in free if start != chosen)[:OTHER_STARTS]
