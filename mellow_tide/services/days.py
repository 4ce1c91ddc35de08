"""A day of the practice: its sessions and the one next action."""

from datetime import date, datetime, time, timedelta
from typing import Literal
from uuid import UUID
from zoneinfo import ZoneInfo

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.hands.load import DayLoad, measure_day_load
from mellow_tide.services.desk import Desk
from mellow_tide.services.session_view import SessionView, make_view
from mellow_tide.store.people import find_practice
from mellow_tide.store.sessions import list_events_of_sessions, list_sessions


class NextAction(Record):
    """What to do next: go on working, log what has ended, or look at the plan of the next session."""

    action: Literal["go_on", "log", "plan"]
    session_id: UUID


class Day(Record):
    """The sessions that start on `day` in the practice's time zone, in order, and what they ask of the hands."""

    day: date
    time_zone: str
    sessions: tuple[SessionView, ...]
    hands: DayLoad
    next_action: NextAction | None


def read_day(desk: Desk, day: date | None, now: datetime) -> Day:
    """The day, today if none is given."""
    with desk.reading() as t:
        zone = ZoneInfo(find_practice(t).time_zone)
        day = day or now.astimezone(zone).date()
        start = datetime.combine(day, time.min, zone)
        rows = list_sessions(t, start, start + timedelta(days=1))
        events = list_events_of_sessions(t, [row.session_id for row in rows])
    views = tuple(make_view(desk, row, events[row.session_id]) for row in rows)
    load = measure_day_load([(view.evaluation.hands, view.evaluation.sheet.seconds) for view in views])
    return Day(day=day, time_zone=zone.key, sessions=views, hands=load, next_action=choose_next_action(views))


def choose_next_action(sessions: tuple[SessionView, ...]) -> NextAction | None:
    """A session under way comes first, then one to log, then the first that waits; None when all is done."""
    for stage, action in (("work", "go_on"), ("log", "log"), ("plan", "plan")):
        for session in sessions:
            if session.stage == stage:
                return NextAction(action=action, session_id=session.session_id)
    return None
