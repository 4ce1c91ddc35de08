"""A session that stands, booked again every so many weeks; and that taken back."""

from datetime import datetime
from uuid import UUID

from mellow_tide.core.booking.clashes import Clash
from mellow_tide.core.booking.starts import LocalStart, Repeat
from mellow_tide.core.catalogue.records import Record
from mellow_tide.services.booking.clock import read_clock
from mellow_tide.services.booking.judging import Accepted, judge, refuse_clashes
from mellow_tide.services.booking.worked_out import Booking, WorkedOut, add_placed, work_out
from mellow_tide.services.desk import Desk
from mellow_tide.services.session_view import SessionView
from mellow_tide.services.sessions import read_session
from mellow_tide.store.bookings import (
    hold,
    hold_bookings,
    list_later_of_series,
    set_series,
    take_back_booking,
)
from mellow_tide.store.database import Transaction
from mellow_tide.store.sessions import ReadAt, SessionRow, find_session


class RepeatTrial(Record):
    """What a repeat of a session that stands would be, nothing stored: the starts that follow it, what does not go."""

    starts: tuple[LocalStart, ...]
    clashes: tuple[Clash, ...]


def try_repeat(desk: Desk, session_id: UUID, repeat: Repeat) -> RepeatTrial:
    """What repeating a session would be. Raises `NotThere` and the core's refusals."""
    row, made = _work_out(desk, session_id, repeat)
    with desk.reading() as t:
        clashes = judge(desk, t, made.clock, made.placed, row.day).clashes
    return RepeatTrial(starts=tuple(one.start for one in made.placed), clashes=clashes)


def repeat_session(desk: Desk, at: ReadAt, repeat: Repeat, accepted: Accepted) -> SessionView:
    """Book the session read at `at.revision` again every so many weeks; they are one series from then on.

    Raises `Stale`, `Clashing`, and as `try_repeat` does.
    """
    row, made = _work_out(desk, at.session_id, repeat)
    with desk.writing() as t:
        hold_bookings(t)
        hold(t, at)
        refuse_clashes(judge(desk, t, made.clock, made.placed, row.day).clashes, accepted)
        set_series(t, at.session_id, at.session_id)
        add_placed(t, made.placed, row.client_id, at.session_id)
    return read_session(desk, at.session_id)


def take_repeat_back(desk: Desk, session_id: UUID) -> SessionView:
    """Take the sessions back that repeat one, as far as nothing was tapped in them. Raises `NotThere`."""
    with desk.writing() as t:
        hold_bookings(t)
        take_later_back(t, session_id, find_session(t, session_id).starts_at)
        set_series(t, session_id, None)
    return read_session(desk, session_id)


def take_later_back(t: Transaction, series_id: UUID, after: datetime) -> None:
    """Take back what of a series starts after an instant and has nothing tapped in it."""
    for id in list_later_of_series(t, series_id, after):
        if not find_session(t, id).begun:
            take_back_booking(t, id)


def _work_out(desk: Desk, session_id: UUID, repeat: Repeat) -> tuple[SessionRow, WorkedOut]:
    """The session, and what would repeat it."""
    with desk.reading() as t:
        row, clock = find_session(t, session_id), read_clock(desk, t)
    brief = row.plan.flow.brief
    booking = Booking(
        session_id=session_id,
        client_id=row.client_id,
        kind=brief.kind,
        minutes=brief.booked_minutes,
        start=LocalStart.of(row.starts_at, clock.zone),
        repeat=repeat,
    )
    return row, work_out(desk, booking, row.person_id, stands=True)
