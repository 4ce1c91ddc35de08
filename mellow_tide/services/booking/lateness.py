"""A client who comes late: the session begins later with another plan, and earlier again where that is taken back."""

from datetime import timedelta

from mellow_tide.core.booking.starts import LocalStart
from mellow_tide.core.phrases.book import say
from mellow_tide.services.booking.clock import read_clock
from mellow_tide.services.desk import Desk
from mellow_tide.store.bookings import move_session, set_attendance
from mellow_tide.store.database import Transaction
from mellow_tide.store.sessions import SessionRow


def begin_later(desk: Desk, t: Transaction, row: SessionRow, minutes: int) -> None:
    """Let a session begin later, since its client comes late."""
    clock = read_clock(desk, t)
    start = clock.manner.say_time(LocalStart.of(row.starts_at, clock.zone).at)
    # Later still: what it was booked for at first is what is told.
    told = row.attendance_note if row.attendance == "late" else ""
    move_session(t, row.session_id, row.starts_at + timedelta(minutes=minutes), row.person_id)
    set_attendance(t, row.session_id, "late", told or say("booking.booked_for", at=start))


def begin_as_before(t: Transaction, row: SessionRow, minutes: int, late_still: bool) -> None:
    """Let a session begin so much earlier again; its client is late no more, unless an earlier plan says so."""
    move_session(t, row.session_id, row.starts_at - timedelta(minutes=minutes), row.person_id)
    if row.attendance == "late" and not late_still:
        set_attendance(t, row.session_id, "expected", "")
