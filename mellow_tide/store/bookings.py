"""Bookings: who is booked when, without the plans; moved, cancelled, repeated, taken back."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from mellow_tide.core.booking.clashes import Booked
from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere, Stale
from mellow_tide.store.sessions import Attendance, Between, ReadAt, lock_session


@dataclass(frozen=True, kw_only=True)
class BookingRow:
    """A booking whose client is to come, or came."""

    session_id: UUID
    client_id: UUID
    client_name: str
    person_id: UUID
    starts_at: datetime
    minutes: int

    @property
    def booked(self) -> Booked:
        """The booking as it is judged."""
        return Booked(
            session_id=self.session_id,
            client_name=self.client_name,
            starts_at=self.starts_at,
            minutes=self.minutes,
        )


@dataclass(frozen=True)
class _StartRow:
    session_id: UUID
    starts_at: datetime


def list_bookings(t: Transaction, between: Between, of_person: UUID | None = None) -> list[BookingRow]:
    """The bookings that start in a time, in order: everybody's, or those that one person works."""
    values = {"from": between.start, "until": between.end, "of_person": of_person}
    return t.all(BookingRow, "bookings_between", **values)


def list_bookings_named(t: Transaction, sessions: Sequence[UUID], after: datetime) -> list[BookingRow]:
    """Those of the sessions that start after an instant and whose client is to come, in order."""
    return t.all(BookingRow, "bookings_named", sessions=list(sessions), after=after)


def find_last_booking(t: Transaction, client_id: UUID) -> UUID | None:
    """The client's last session that began, or else the next one that is booked."""
    found: UUID | None = t.value("last_booking_of_client", client_id=client_id)
    return found


def find_next_start(t: Transaction, session_id: UUID) -> datetime | None:
    """When the client of a session comes after it, if that is booked."""
    found: datetime | None = t.value("next_session_of_client", session_id=session_id)
    return found


def hold_bookings(t: Transaction) -> None:
    """Hold all bookings of the practice until the transaction ends, so that those who book take turns."""
    t.run("hold_bookings")


def is_booked(t: Transaction, session_id: UUID) -> bool:
    """Whether there is a session with that id."""
    return bool(t.value("is_booked", session_id=session_id))


def list_starts(t: Transaction, sessions: Sequence[UUID]) -> Mapping[UUID, datetime]:
    """When those of the sessions start that are there, also where their client does not come."""
    rows = t.all(_StartRow, "starts_of_sessions", sessions=list(sessions))
    return {row.session_id: row.starts_at for row in rows}


def hold(t: Transaction, at: ReadAt) -> None:
    """Hold a session until the transaction ends. Raises `NotThere`, and `Stale` if another revision is the newest."""
    if lock_session(t, at.session_id) != at.revision:
        raise Stale("session")


def move_session(t: Transaction, session_id: UUID, starts_at: datetime, works_it: UUID) -> None:
    """Let a session that is held start then, worked by that person."""
    t.run("move_session", session_id=session_id, starts_at=starts_at, works_it=works_it)


def set_attendance(t: Transaction, session_id: UUID, attendance: Attendance, note: str) -> None:
    """Keep whether the client of a session that is held comes, with a word."""
    t.run("set_attendance", session_id=session_id, attendance=attendance, note=note)


def set_series(t: Transaction, session_id: UUID, series_id: UUID | None) -> None:
    """Let a session that is held be one of a series, or of none."""
    t.run("set_series", session_id=session_id, series_id=series_id)


def list_later_of_series(t: Transaction, series_id: UUID, after: datetime) -> list[UUID]:
    """The sessions of a series that start after an instant, in order."""
    return [UUID(str(id)) for id in t.column("later_of_series", series_id=series_id, after=after)]


def take_back_booking(t: Transaction, session_id: UUID) -> None:
    """Take a booking away in which nothing was tapped. Raises `NotThere`."""
    if not t.value("take_back_booking", session_id=session_id):
        raise NotThere("session")
