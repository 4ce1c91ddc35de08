"""A day of the practice: its sessions and the one next action."""

from datetime import date, datetime, time, timedelta
from typing import Literal
from uuid import UUID
from zoneinfo import ZoneInfo

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.hands.load import DayLoad, day_load
from mellow_tide.services.session_view import SessionView, view_of
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import SignedIn, find_practice
from mellow_tide.store.sessions import events_of_sessions, sessions_between


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


def day_of(db: Database, who: SignedIn, day: date | None, now: datetime, catalogue: Catalogue) -> Day:
    """The day, today if none is given."""
    with db.transaction(Sight(who.practice_id)) as c:
        zone = ZoneInfo(find_practice(c, who.practice_id).time_zone)
        day = day or now.astimezone(zone).date()
        start = datetime.combine(day, time.min, zone)
        rows = sessions_between(c, who.practice_id, start, start + timedelta(days=1))
        events = events_of_sessions(c, who.practice_id, [row.session_id for row in rows])
    views = tuple(view_of(row, events[row.session_id], catalogue) for row in rows)
    load = day_load([(view.evaluation.hands, view.evaluation.sheet.seconds) for view in views])
    return Day(day=day, time_zone=zone.key, sessions=views, hands=load, next_action=next_action(views))


def next_action(sessions: tuple[SessionView, ...]) -> NextAction | None:
    """A session under way comes first, then one to log, then the first that waits; None when all is done."""
    for stage, action in (("work", "go_on"), ("log", "log"), ("plan", "plan")):
        for session in sessions:
            if session.stage == stage:
                return NextAction(action=action, session_id=session.session_id)
    return None
