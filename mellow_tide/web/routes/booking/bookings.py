"""The day, and booking: typed, tried, stored, moved, cancelled, taken back."""

from datetime import date
from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query, Response
from pydantic import Field

from mellow_tide.core.booking.starts import Repeat
from mellow_tide.core.meeting.walk_in import WalkInQuestions, list_walk_in_questions
from mellow_tide.services.booking import asking, attendance, booking, days, moving, repeating, walk_in
from mellow_tide.services.booking.asking import DayNamed, Line, Picked, Proposal
from mellow_tide.services.booking.attendance import AttendanceNote
from mellow_tide.services.booking.booking import BookingTrial
from mellow_tide.services.booking.days import Day
from mellow_tide.services.booking.judging import Accepted
from mellow_tide.services.booking.moving import Move, MoveTrial
from mellow_tide.services.booking.repeating import RepeatTrial
from mellow_tide.services.booking.walk_in import NameGiven, WalkIn
from mellow_tide.services.booking.worked_out import Booking
from mellow_tide.services.session_view import SessionView
from mellow_tide.store.sessions import Attendance, ReadAt
from mellow_tide.web.body import Body, Revision
from mellow_tide.web.guard import AtDesk
from mellow_tide.web.straight import straight

router = APIRouter(tags=["booking"])

DayOfPractice = Annotated[date, Query(ge=date(1900, 1, 1), le=date(2200, 12, 31))]


class BookingAsked(Body):
    """A booking as far as it is typed and picked."""

    line: Line = ""
    picked: Picked = Picked()


class MoveAt(Body):
    """A move of the session read at `revision`."""

    revision: Revision
    move: Move


class RepeatAt(Body):
    """The session read at `revision`, again every so many weeks."""

    revision: Revision
    repeat: Repeat
    accepted: Accepted = ()


class AttendanceAt(Body):
    """Whether the client of the session read at `revision` comes, with a word."""

    revision: Revision
    attendance: Attendance
    note: AttendanceNote = ""
    accepted: Accepted = ()


@router.get("/day", response_model=Day)
def read_day(desk: AtDesk, day: DayOfPractice | None = None) -> Response:
    """A day of whoever asks, today if none is named."""
    return straight(days.read_day(desk, day))


@router.get("/day/named")
def name_day(desk: AtDesk, typed: Annotated[str, Field(max_length=60)]) -> DayNamed:
    """The day that is typed."""
    return asking.name_day(desk, typed)


@router.post("/bookings/reading")
def read_booking(asked: BookingAsked, desk: AtDesk) -> Proposal:
    """What a typed line says; nothing is stored."""
    return asking.propose(desk, asked.line, asked.picked)


@router.post("/bookings/trial")
def try_booking(wanted: Booking, desk: AtDesk) -> BookingTrial:
    """What a booking would be, with its plan; nothing is stored."""
    return booking.try_booking(desk, wanted)


@router.post("/bookings", response_model=SessionView)
def book_session(wanted: Booking, desk: AtDesk) -> Response:
    """Book a session with its plan."""
    return straight(booking.book(desk, wanted))


@router.get("/walk-ins/questions")
def read_walk_in_questions(desk: AtDesk) -> WalkInQuestions:
    """What is asked of somebody who walks in."""
    return list_walk_in_questions(desk.catalogue)


@router.post("/walk-ins", response_model=SessionView)
def begin_walk_in(told: WalkIn, desk: AtDesk) -> Response:
    """Book and plan a session for somebody who is there now."""
    return straight(walk_in.walk_in(desk, told))


@router.put("/sessions/{session_id}/walk-in", response_model=SessionView)
def name_walk_in(session_id: UUID, given: NameGiven, desk: AtDesk) -> Response:
    """Say who it was that walked in."""
    return straight(walk_in.name_walk_in(desk, session_id, given))


@router.delete("/sessions/{session_id}/booking", status_code=204)
def take_back_booking(session_id: UUID, desk: AtDesk) -> None:
    """Take a booking back in which nothing was tapped."""
    booking.take_back(desk, session_id)


@router.post("/sessions/{session_id}/booking/trial")
def try_move(session_id: UUID, move: Move, desk: AtDesk) -> MoveTrial:
    """What a move would be; nothing is stored."""
    return moving.try_move(desk, session_id, move)


@router.put("/sessions/{session_id}/booking", response_model=SessionView)
def move_booking(session_id: UUID, change: MoveAt, desk: AtDesk) -> Response:
    """Move, lengthen, shorten a booking, or give it to another therapist."""
    return straight(moving.move_booking(desk, ReadAt(session_id, change.revision), change.move))


@router.post("/sessions/{session_id}/repeat/trial")
def try_repeat(session_id: UUID, repeat: Repeat, desk: AtDesk) -> RepeatTrial:
    """What repeating a session would be; nothing is stored."""
    return repeating.try_repeat(desk, session_id, repeat)


@router.post("/sessions/{session_id}/repeat", response_model=SessionView)
def repeat_session(session_id: UUID, again: RepeatAt, desk: AtDesk) -> Response:
    """Book a session again every so many weeks."""
    at = ReadAt(session_id, again.revision)
    return straight(repeating.repeat_session(desk, at, again.repeat, again.accepted))


@router.delete("/sessions/{session_id}/repeat", response_model=SessionView)
def take_repeat_back(session_id: UUID, desk: AtDesk) -> Response:
    """Take the sessions back that repeat one, as far as nothing was tapped in them."""
    return straight(repeating.take_repeat_back(desk, session_id))


@router.put("/sessions/{session_id}/attendance", response_model=SessionView)
def tell_attendance(session_id: UUID, told: AttendanceAt, desk: AtDesk) -> Response:
    """Say whether the client comes."""
    at = ReadAt(session_id, told.revision)
    return straight(attendance.tell_attendance(desk, at, told.attendance, told.note, told.accepted))
