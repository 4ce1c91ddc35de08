"""Booking a session: tried with its plan, then stored; and taken back."""

from uuid import UUID

from mellow_tide.core.booking.clashes import Clash
from mellow_tide.core.booking.starts import LocalStart
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.hands.load import DayLoad
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.timing.outline import Outline
from mellow_tide.services.booking.judging import judge, refuse_clashes
from mellow_tide.services.booking.repeating import take_later_back
from mellow_tide.services.booking.worked_out import Booking, add_placed, new_client_of, work_out
from mellow_tide.services.designing.standing import RunHasBegun
from mellow_tide.services.desk import Desk
from mellow_tide.services.meeting.evidence import Told, tell_new
from mellow_tide.services.session_view import SessionView
from mellow_tide.services.sessions import read_session
from mellow_tide.store.bookings import hold_bookings, is_booked, take_back_booking
from mellow_tide.store.database import Transaction
from mellow_tide.store.meeting.clients import erase_client, find_client, list_sessions_of_client
from mellow_tide.store.meeting.intakes import list_intakes
from mellow_tide.store.sessions import find_session


class BookingTrial(Record):
    """What a booking would be, nothing stored: its plan in little, the day's load with it, what does not go.

    `starts` are all its starts, where it repeats.
    """

    brief: Brief
    outline: Outline
    hands: DayLoad
    clashes: tuple[Clash, ...]
    starts: tuple[LocalStart, ...]


def try_booking(desk: Desk, booking: Booking) -> BookingTrial:
    """What a booking would be. Raises `NotThere`, `BadEntry` and the core's refusals."""
    made = work_out(desk, booking, desk.person_id)
    with desk.reading() as t:
        clashes, load = judge(desk, t, made.clock, made.placed, booking.start.day)
    first = made.placed[0]
    return BookingTrial(
        brief=first.plan.flow.brief,
        outline=first.on_clock.outline,
        hands=load,
        clashes=clashes,
        starts=tuple(one.start for one in made.placed),
    )


def book(desk: Desk, booking: Booking) -> SessionView:
    """Book a session with its plan, and those that repeat it. Sent twice, it is booked once.

    Raises `Clashing` where something does not go that was not accepted, `NotThere`, `BadEntry`, the core's refusals.
    """
    with desk.reading() as t:
        there = is_booked(t, booking.session_id)
    if not there:
        _store(desk, booking)
    return read_session(desk, booking.session_id)


def _store(desk: Desk, booking: Booking) -> None:
    made = work_out(desk, booking, desk.person_id)
    client_id = booking.client_id or new_client_of(booking.session_id)
    with desk.writing() as t:
        # Two who book at once take turns: the second sees what the first has booked.
        hold_bookings(t)
        refuse_clashes(judge(desk, t, made.clock, made.placed, booking.start.day).clashes, booking.accepted)
        if booking.client_id is None:
            tell_new(t, desk, client_id, made.basis.record, Told("by_hand"))
        add_placed(t, made.placed, client_id, booking.session_id if booking.repeat else None)


def take_back(desk: Desk, session_id: UUID) -> None:
    """Take a booking back, with those that repeat it and the client that it brought in.

    What was tapped in stays, and so does a client of whom more than a name is known. Raises `NotThere`, `RunHasBegun`.
    """
    with desk.writing() as t:
        hold_bookings(t)
        row = find_session(t, session_id)
        if row.begun:
            raise RunHasBegun
        take_later_back(t, session_id, row.starts_at)
        take_back_booking(t, session_id)
        if row.client_id == new_client_of(session_id):
            forget_mere_name(t, desk, row.client_id)


def forget_mere_name(t: Transaction, desk: Desk, client_id: UUID) -> None:
    """Erase a client of whom nothing is known but a name; anybody else stays. Raises `NotThere`."""
    record = find_client(t, client_id).record
    visited = list_sessions_of_client(t, client_id, 1) or list_intakes(t, client_id)
    if not visited and record == ClientRecord(name=record.name):
        erase_client(t, client_id, desk.name(t))
