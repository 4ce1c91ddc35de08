"""A day of the practice: its sessions on the clock, the free water between them, and the one next action."""

from collections.abc import Sequence
from datetime import date, timedelta
from typing import Literal
from uuid import UUID

from pydantic import AwareDatetime

from mellow_tide.core.booking.clashes import BlockedTime, Booked, Clash, DayRules, find_clashes
from mellow_tide.core.booking.free import DAY, Diary, span_on
from mellow_tide.core.booking.hours import USUAL_HOURS, Hours, MinuteSpan
from mellow_tide.core.booking.starts import LocalStart
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.hands.load import DayLoad, measure_day_load
from mellow_tide.core.run.events import RunEvent, order_events
from mellow_tide.core.run.state import fold
from mellow_tide.core.timing.outline import Outline
from mellow_tide.services.booking.clock import PracticeClock, read_clock
from mellow_tide.services.booking.load import OnClock, grow_load, lay_on_clock
from mellow_tide.services.desk import Desk
from mellow_tide.services.session_view import Stage, stage_of
from mellow_tide.store.bookings import list_bookings
from mellow_tide.store.calendar.blocks import list_blocks
from mellow_tide.store.people import find_hours
from mellow_tide.store.preparing import find_self_check
from mellow_tide.store.sessions import (
    Attendance,
    SessionRow,
    list_events_of_sessions,
    list_sessions,
)

StageOpened = Literal["meet", "plan", "work", "log"]

DAYS_SHOWN = 9
"""Yesterday, today, the week ahead."""


class NextAction(Record):
    """What to do next: go on working, log what has ended, or look at the plan of the next session."""

    action: Literal["go_on", "log", "plan"]
    session_id: UUID


class SessionOnDay(Record):
    """A session as the day shows it.

    `span` is when it is by the practice's clock; `hands_by_then` the load of the day up to its end. `comes`: the client
    comes, or came; `repeats`: it is one of several; `walk_in`: its client has no name yet. `opens` is the stage
    at which it is opened: today a client is met before anything else.
    """

    session_id: UUID
    person_id: UUID
    client_id: UUID
    client_name: str
    know_first: str
    starts_at: AwareDatetime
    span: MinuteSpan
    revision: int
    stage: Stage
    opens: StageOpened
    brief: Brief
    outline: Outline
    hands_by_then: DayLoad | None
    attendance: Attendance
    attendance_note: str
    comes: bool
    repeats: bool
    walk_in: bool
    unread_intake: UUID | None


class BlockOnDay(Record):
    """Time that is blocked, as the day shows it: `span` is what of it lies on that day."""

    block: BlockedTime
    span: MinuteSpan


class DayMark(Record):
    """A day in the strip above the line: how many sessions it has, for how many minutes, and whether one works."""

    day: date
    sessions: int
    minutes: int
    works: bool


class Day(Record):
    """A therapist's sessions that start on `day` in the practice's time zone, in order, and what they ask of the hands.

    `now` is the practice's present day and time. `working`: when sessions may start by the therapist's hours, as far as
    those are said; `free`: what of it, or of the usual hours, is still to come, not booked and not blocked;
    `clashes`: what of the bookings does not go together. `strip` are the days about today, or about `day` where that
    is further away.
    """

    day: date
    now: LocalStart
    time_zone: str
    sessions: tuple[SessionOnDay, ...]
    hands: DayLoad
    next_action: NextAction | None
    working: tuple[MinuteSpan, ...]
    free: tuple[MinuteSpan, ...]
    blocks: tuple[BlockOnDay, ...]
    clashes: tuple[Clash, ...]
    strip: tuple[DayMark, ...]


def read_day(desk: Desk, day: date | None) -> Day:
    """Whoever asks has a day of their own: the sessions that they work. Today if no day is given."""
    with desk.reading() as t:
        clock = read_clock(desk, t)
        day = day or clock.today
        rows = list_sessions(t, clock.days(day, day), desk.person_id)
        events = list_events_of_sessions(t, [row.session_id for row in rows])
        hours = find_hours(t, desk.person_id)
        about = _first_of_strip(day, clock.today)
        until = about + timedelta(days=DAYS_SHOWN - 1)
        check = find_self_check(t, day, desk.person_id)
        booked = list_bookings(t, clock.days(about, until), desk.person_id)
        blocks = list_blocks(t, clock.days(day, day), desk.person_id)
    on_clock = {row.session_id: lay_on_clock(desk, row) for row in rows}
    come = [row for row in rows if row.comes]
    grown = grow_load([on_clock[row.session_id] for row in come], check)
    loads = {row.session_id: load for row, load in zip(come, grown, strict=True)}
    bookings = [row.booked for row in come]
    sessions = tuple(
        _on_day(row, (on_clock[row.session_id], loads.get(row.session_id)), events[row.session_id], clock)
        for row in rows
    )
    marks = [(LocalStart.of(one.starts_at, clock.zone).day, one.minutes) for one in booked]
    return Day(
        day=day,
        now=clock.local,
        time_zone=clock.zone.key,
        sessions=sessions,
        hands=grown[-1] if grown else measure_day_load((), check),
        next_action=choose_next_action(sessions),
        working=hours.starts_on(day) if hours else (),
        free=Diary(bookings, hours or USUAL_HOURS, clock.zone, blocks).find_free_spans(day, clock.local),
        blocks=tuple(_block_on(day, one, clock) for one in blocks),
        clashes=_clashes(bookings, hours, blocks, clock),
        strip=tuple(
            DayMark(
                day=one,
                sessions=sum(on == one for on, _ in marks),
                minutes=sum(minutes for on, minutes in marks if on == one),
                works=one.weekday() in (hours or USUAL_HOURS).days,
            )
            for one in (about + timedelta(days=n) for n in range(DAYS_SHOWN))
        ),
    )


def _clashes(
    bookings: Sequence[Booked], hours: Hours | None, blocks: Sequence[BlockedTime], clock: PracticeClock
) -> tuple[Clash, ...]:
    found = find_clashes(bookings, DayRules(hours or USUAL_HOURS, clock.zone, clock.manner, blocks))
    # Against hours that were never said nothing is held, but what is blocked is blocked.
    return tuple(clash for clash in found if hours or clash.kind == "blocked")


def _block_on(day: date, block: BlockedTime, clock: PracticeClock) -> BlockOnDay:
    whole = span_on(day, block.starts_at, block.ends_at, clock.zone)
    return BlockOnDay(block=block, span=MinuteSpan(begins=max(0, whole.begins), ends=min(DAY, whole.ends)))


def _first_of_strip(day: date, today: date) -> date:
    """Yesterday, or the day before one that is not in the week ahead."""
    yesterday = today - timedelta(days=1)
    seen_from_today = yesterday <= day < yesterday + timedelta(days=DAYS_SHOWN)
    return yesterday if seen_from_today else day - timedelta(days=1)


def _on_day(
    row: SessionRow,
    measured: tuple[OnClock, DayLoad | None],
    events: Sequence[RunEvent],
    clock: PracticeClock,
) -> SessionOnDay:
    made, load = measured
    brief = row.plan.flow.brief
    start = LocalStart.of(row.starts_at, clock.zone)
    stage = stage_of(row, fold(order_events(events), made.sheet))
    return SessionOnDay(
        session_id=row.session_id,
        person_id=row.person_id,
        client_id=row.client_id,
        client_name=row.client.name,
        know_first=row.client.know_first,
        starts_at=row.starts_at,
        span=MinuteSpan(begins=start.minute, ends=start.minute + brief.booked_minutes),
        revision=row.revision,
        stage=stage,
        opens=_opens(stage, start.day == clock.today and row.answer is None),
        brief=brief,
        outline=made.outline,
        hands_by_then=load,
        attendance=row.attendance,
        attendance_note=row.attendance_note,
        comes=row.comes,
        repeats=row.series_id is not None,
        walk_in=row.walk_in,
        unread_intake=row.unread_intake,
    )


def _opens(stage: Stage, to_ask: bool) -> StageOpened:
    if stage == "plan":
        return "meet" if to_ask else "plan"
    return "log" if stage == "logged" else stage


def choose_next_action(sessions: tuple[SessionOnDay, ...]) -> NextAction | None:
    """A session under way comes first, then one to log, then the first that waits; None when all is done."""
    for stage, action in (("work", "go_on"), ("log", "log"), ("plan", "plan")):
        for session in sessions:
            if session.stage == stage and session.comes:
                return NextAction(action=action, session_id=session.session_id)
    return None
