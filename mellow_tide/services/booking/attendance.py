"""Whether a client comes: as booked, late, not at all; told with a word, and taken back."""

from typing import Annotated

from pydantic import StringConstraints

from mellow_tide.services.booking.clock import read_clock
from mellow_tide.services.booking.judging import Accepted, Wanted, find_clashes_of, refuse_clashes
from mellow_tide.services.designing.standing import RunHasBegun
from mellow_tide.services.desk import Desk
from mellow_tide.services.session_view import SessionView
from mellow_tide.services.sessions import read_session
from mellow_tide.store.bookings import hold, hold_bookings, set_attendance
from mellow_tide.store.sessions import Attendance, ReadAt, find_session

AttendanceNote = Annotated[str, StringConstraints(strip_whitespace=True, max_length=200)]


def tell_attendance(
    desk: Desk, at: ReadAt, attendance: Attendance, note: str, accepted: Accepted = ()
) -> SessionView:
    """Keep whether the client of the session read at `at.revision` comes.

    Raises `NotThere`, `Stale`, `RunHasBegun` where somebody who is worked on is said not to come, and `Clashing` where
    somebody comes after all and that does not go with what was booked meanwhile.
    """
    with desk.writing() as t:
        hold_bookings(t)
        hold(t, at)
        before = find_session(t, at.session_id)
        set_attendance(t, at.session_id, attendance, note)
        row = find_session(t, at.session_id)
        if row.begun and not row.comes:
            raise RunHasBegun
        if row.comes and not before.comes:
            wanted = Wanted(row.booked, row.person_id, row.client_id)
            refuse_clashes(find_clashes_of(t, read_clock(desk, t), wanted), accepted)
    return read_session(desk, at.session_id)
