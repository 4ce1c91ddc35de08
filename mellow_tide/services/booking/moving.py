"""Moving a booking: to another time or day, longer or shorter, to another therapist; alone or with those after it."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import timedelta
from uuid import UUID

from mellow_tide.core.booking.clashes import Clash
from mellow_tide.core.booking.starts import LocalStart
from mellow_tide.core.catalogue.records import BookedMinutes, Record
from mellow_tide.core.hands.load import DayLoad
from mellow_tide.core.planner.adjust import adjust
from mellow_tide.core.planner.difference import Difference, compare_flows
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.refusal import FieldProblem
from mellow_tide.core.setting import Setting
from mellow_tide.services.booking.asking import check_day
from mellow_tide.services.booking.clock import PracticeClock, read_clock
from mellow_tide.services.booking.judging import Accepted, Placed, Wanted, judge, refuse_clashes
from mellow_tide.services.booking.planned import find_pace
from mellow_tide.services.designing.planning import PLANNING_SECONDS, after, offering
from mellow_tide.services.designing.standing import RunHasBegun
from mellow_tide.services.desk import Desk
from mellow_tide.services.refusals import BadEntry
from mellow_tide.services.session_view import SessionView
from mellow_tide.services.sessions import read_session
from mellow_tide.store.bookings import hold, hold_bookings, list_later_of_series, move_session
from mellow_tide.store.database import Transaction
from mellow_tide.store.people import list_members
from mellow_tide.store.sessions import ReadAt, SessionRow, find_session, list_events, replace_plan


class Move(Record):
    """What becomes of a booking; what is not said stays. `later_too`: those of its repeat after it go with it.

    Later ones move by as many days and to the same time. What does not go is stored only where it is `accepted`.
    """

    start: LocalStart | None = None
    minutes: BookedMinutes | None = None
    person_id: UUID | None = None
    later_too: bool = False
    accepted: Accepted = ()


class MoveTrial(Record):
    """What a move would be, nothing stored: what does not go, the load of the day, and what gives way in the plan.

    `count` is how many sessions it moves.
    """

    clashes: tuple[Clash, ...]
    hands: DayLoad
    difference: Difference | None
    count: int


@dataclass(frozen=True)
class _Moved:
    """A session as it stands, and where it goes."""

    row: SessionRow
    placed: Placed

    @property
    def replanned(self) -> bool:
        return self.placed.plan is not self.row.plan


def try_move(desk: Desk, session_id: UUID, move: Move) -> MoveTrial:
    """What a move would be. Raises `NotThere`, `RunHasBegun`, `BadEntry` and the core's refusals."""
    clock, moved = _work_out(desk, session_id, move)
    first = moved[0]
    with desk.reading() as t:
        clashes, load = judge(desk, t, clock, [one.placed for one in moved], first.placed.start.day)
    apart = None
    if first.replanned:
        before = first.row.plan
        apart = compare_flows(before.flow, first.placed.plan.flow, before.by_hand, first.placed.setting)
    return MoveTrial(clashes=clashes, hands=load, difference=apart, count=len(moved))


def move_booking(desk: Desk, at: ReadAt, move: Move) -> SessionView:
    """Move the booking read at `at.revision`.

    Raises `Stale` if another revision is the newest, `Clashing` where something does not go that was not accepted,
    and as `try_move` does.
    """
    clock, moved = _work_out(desk, at.session_id, move)
    with desk.writing() as t:
        hold_bookings(t)
        placed = [one.placed for one in moved]
        refuse_clashes(judge(desk, t, clock, placed, placed[0].start.day).clashes, move.accepted)
        for one in moved:
            read_at = at if one.row.session_id == at.session_id else one.row.read_at
            hold(t, read_at)
            # It is held now: a run cannot begin between this look and the commit.
            if list_events(t, one.row.session_id):
                raise RunHasBegun
            if one.replanned:
                replace_plan(t, read_at, one.placed.plan)
            move_session(t, one.row.session_id, one.placed.starts_at, one.placed.wanted.person_id)
    return read_session(desk, at.session_id)


def _work_out(desk: Desk, session_id: UUID, move: Move) -> tuple[PracticeClock, tuple[_Moved, ...]]:
    """Every session that is moved, with the plan it has there; the one that was asked for first."""
    with desk.reading() as t:
        clock = read_clock(desk, t)
        rows = list(_rows(t, session_id, move.later_too))
        members = {member.person_id for member in list_members(t)}
    if move.person_id and move.person_id not in members:
        raise BadEntry(FieldProblem("person_id", "unknown_therapist"))
    days = (move.start.day - rows[0].day).days if move.start else 0
    return clock, tuple(_Moved(row, _place(desk, clock, row, move, days)) for row in rows)


def _rows(t: Transaction, session_id: UUID, later_too: bool) -> Iterator[SessionRow]:
    row = find_session(t, session_id)
    if row.begun:
        raise RunHasBegun
    yield row
    if later_too and row.series_id:
        later = (find_session(t, id) for id in list_later_of_series(t, row.series_id, row.starts_at))
        yield from (one for one in later if not one.begun)


def _place(desk: Desk, clock: PracticeClock, row: SessionRow, move: Move, days: int) -> Placed:
    """Where a session goes that moves by so many days, and its plan there."""
    stands = LocalStart.of(row.starts_at, clock.zone)
    start = stands
    if move.start:
        start = LocalStart(day=stands.day + timedelta(days=days), at=move.start.at)
    problems = check_day(start, clock) if start != stands else []
    if problems:
        raise BadEntry(*problems)
    person_id = move.person_id or row.person_id
    setting = _setting(desk, replace(row, day=start.day), person_id)
    plan = _plan(row.plan, move.minutes, setting, desk.setting_of(row))
    # A time that comes twice is left as it was where only the minutes change.
    instant = row.starts_at if start == stands else start.instant(clock.zone)
    minutes = plan.flow.brief.booked_minutes
    booked = row.booked.model_copy(update={"starts_at": instant, "minutes": minutes})
    return Placed(Wanted(booked, person_id, row.client_id), start, plan, setting)


def _setting(desk: Desk, row: SessionRow, person_id: UUID) -> Setting:
    """The setting of a session on its day, at the pace of who works it."""
    if person_id == row.person_id:
        return desk.setting_of(row)
    with desk.reading() as t:
        pace = find_pace(t, person_id)
    return Setting.of(row.facts, desk.catalogue, pace)


def _plan(before: Plan, minutes: int | None, setting: Setting, stands: Setting) -> Plan:
    """The plan that stands, fitted where minutes, pace or what is known of the client that day are others."""
    brief = before.flow.brief
    if minutes in (None, brief.booked_minutes) and setting == stands:
        return before
    wanted = brief.model_copy(update={"booked_minutes": minutes or brief.booked_minutes})
    with offering(wanted, setting):
        return adjust(before, wanted, setting, "all", after(PLANNING_SECONDS))
