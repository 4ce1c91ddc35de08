"""A booking worked out: every session that it is, with its plan."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from uuid import UUID, uuid5

from mellow_tide.core.booking.clashes import Booked
from mellow_tide.core.booking.starts import LocalStart, Repeat, repeat_starts
from mellow_tide.core.catalogue.records import BookedMinutes, Id, Record
from mellow_tide.core.flow.brief import Brief, Place
from mellow_tide.core.meeting.record import ClientName, ClientRecord
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.refusal import FieldProblem
from mellow_tide.core.setting import Setting
from mellow_tide.services.booking.asking import check_day
from mellow_tide.services.booking.clock import PracticeClock, read_clock
from mellow_tide.services.booking.judging import Accepted, Placed, Wanted
from mellow_tide.services.booking.planned import BookingBasis, find_pace, plan_next, read_basis
from mellow_tide.services.designing.flows import adapt_kept_flow
from mellow_tide.services.desk import Desk
from mellow_tide.services.refusals import BadEntry
from mellow_tide.store.database import Transaction
from mellow_tide.store.sessions import NewSession, add_session


class Booking(Record):
    """A session to be booked: for a client of the practice or somebody new, what, how long, when.

    `session_id` is made by the device, so that sending it twice books once. `flow_id`: the flow of the library that
    the plan is made from. What does not go is stored only where it is `accepted`.
    """

    session_id: UUID
    client_id: UUID | None = None
    new_name: ClientName | None = None
    kind: Id | None = None
    minutes: BookedMinutes | None = None
    start: LocalStart
    flow_id: UUID | None = None
    repeat: Repeat | None = None
    accepted: Accepted = ()


@dataclass(frozen=True)
class WorkedOut:
    """Every session of a booking in its order, for whom, and what time it is."""

    clock: PracticeClock
    basis: BookingBasis
    placed: tuple[Placed, ...]


def work_out(desk: Desk, booking: Booking, person_id: UUID, stands: bool = False) -> WorkedOut:
    """What a booking is, worked by `person_id`; where its first session `stands` already, what repeats that.

    Raises `NotThere`, `BadEntry` and the core's refusals.
    """
    with desk.reading() as t:
        clock, pace = read_clock(desk, t), find_pace(t, person_id)
    starts = _starts(booking, clock)
    basis = _basis(desk, booking)
    brief = basis.make_brief(booking.kind, booking.minutes, desk.catalogue, booking.start.day)

    def placed() -> Iterator[Placed]:
        for number, start in list(enumerate(starts))[stands:]:
            # A plan is made for the client as they are that day; where that is the same, it is not planned again.
            setting = Setting.of(basis.record.facts(start.day), desk.catalogue, pace)
            of_day = brief if number == 0 else brief.model_copy(update={"first_visit": False})
            booked = Booked(
                session_id=uuid5(booking.session_id, str(number)) if number else booking.session_id,
                client_name=basis.record.name,
                starts_at=start.instant(clock.zone),
                minutes=brief.booked_minutes,
            )
            plan = _plan(desk, booking, of_day, (basis.points if number == 0 else (), setting))
            yield Placed(Wanted(booked, person_id, booking.client_id), start, plan, setting)

    return WorkedOut(clock, basis, tuple(placed()))


def _plan(desk: Desk, booking: Booking, brief: Brief, within: tuple[tuple[Place, ...], Setting]) -> Plan:
    points, setting = within
    if booking.flow_id:
        return adapt_kept_flow(desk, booking.flow_id, brief, setting)
    return plan_next(brief, points, setting)


def _starts(booking: Booking, clock: PracticeClock) -> tuple[LocalStart, ...]:
    """All starts. Raises `BadEntry` for a day that is out of the way, the last one's too."""
    problems = check_day(booking.start, clock)
    starts: tuple[LocalStart, ...] = (booking.start,)
    if booking.repeat and not problems:
        starts = repeat_starts(booking.start, booking.repeat)
        problems = check_day(starts[-1], clock)
    if problems:
        raise BadEntry(*problems)
    return starts


def _basis(desk: Desk, booking: Booking) -> BookingBasis:
    if booking.client_id:
        return read_basis(desk, booking.client_id)
    if booking.new_name is None:
        raise BadEntry(FieldProblem("client_id", "nobody_named"))
    return BookingBasis(ClientRecord(name=booking.new_name))


def new_client_of(session_id: UUID) -> UUID:
    """The client that a booking brings in: the same however often it is sent."""
    return uuid5(session_id, "client")


def add_placed(
    t: Transaction, placed: Sequence[Placed], client_id: UUID, series_id: UUID | None = None
) -> None:
    """Store sessions of a client, in one series if they are one."""
    for one in placed:
        new = NewSession(
            session_id=one.session_id,
            client_id=client_id,
            person_id=one.wanted.person_id,
            starts_at=one.starts_at,
            plan=one.plan,
            series_id=series_id,
        )
        add_session(t, new)
