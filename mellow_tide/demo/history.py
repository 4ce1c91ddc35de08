"""Three months of the demo practice, made by the same services that a therapist uses: booked, worked, logged."""

from collections.abc import Callable
from copy import copy
from dataclasses import dataclass
from datetime import datetime, time, timedelta
from functools import partial
from zoneinfo import ZoneInfo

from mellow_tide.core.booking.clashes import ClashKind
from mellow_tide.core.booking.starts import LocalStart
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.meeting.day import DayAnswer
from mellow_tide.core.run.log import Log
from mellow_tide.demo.people import CLIENTS, PRACTICE_ID, REGULARS, THERAPIST_ID, TIME_ZONE, demo_id
from mellow_tide.demo.worked_run import Heard, worked_run
from mellow_tide.services.booking.attendance import tell_attendance
from mellow_tide.services.booking.booking import book
from mellow_tide.services.booking.walk_in import NameGiven, WalkIn, name_walk_in, walk_in
from mellow_tide.services.booking.worked_out import Booking
from mellow_tide.services.desk import Desk
from mellow_tide.services.meeting.day_answers import answer_day
from mellow_tide.services.meeting.evidence import Told, tell_new
from mellow_tide.services.running.logs import save_log
from mellow_tide.services.running.runs import add_events
from mellow_tide.services.session_view import SessionView
from mellow_tide.store.database import Database
from mellow_tide.store.people import SignedIn
from mellow_tide.store.sessions import ReadAt

Tell = Callable[[str], None]
"""Told how far it is."""

ANYTHING: tuple[ClashKind, ...] = ("hands_strained", "thumbs_strained", "gap_short", "overlap", "in_lunch")
"""What does not go on a day of long ago is not asked about any more."""

AHEAD = timedelta(days=7)
"""So long before it a session is booked."""


SILENT = Heard({})
"""Nothing is said."""


@dataclass(frozen=True)
class Visit:
    """A session so many days from today: before today it was worked and logged, `late` minutes after its hour."""

    client: str
    days: int
    at: time
    minutes: int
    heard: Heard = SILENT
    note: str = ""
    late: int = 0
    gone: str = ""


SHOULDERS = "The net mending sits between spine and left shoulder blade."
QUIET = Heard({"back": "just_right", "shoulders": "just_right"})
VISITS = (
    Visit("tamsin", -84, time(10), 60, Heard({"back": "deeper"}, (8, 7, 6)), SHOULDERS),
    Visit("tamsin", -77, time(10), 60, Heard({"back": "deeper", "lower_leg_back": "lighter"}, (8, 6, 5))),
    Visit("tamsin", -70, time(10), 60, Heard({"back": "just_right"}, (7, 5, 5)), "Slept after the turn."),
    Visit("tamsin", -63, time(10), 60, Heard({"back": "just_right", "shoulders": "deeper"}, (7, 5, 4))),
    Visit(
        "tamsin", -49, time(10), 75, Heard({"back": "just_right"}, (7, 4, 3)), "Two weeks of rain, no nets."
    ),
    Visit("tamsin", -42, time(10), 75, Heard({"back": "just_right", "neck": "lighter"}, (6, 4, 3))),
    Visit("tamsin", -35, time(10), 75, Heard({"back": "just_right"}, (5, 3, 2))),
    Visit("tamsin", -21, time(10), 75, Heard({"back": "lighter", "shoulders": "just_right"}, (5, 3, 2))),
    Visit("tamsin", -14, time(10), 75, Heard({"back": "just_right"}, (4, 2, 2)), "Reaches overhead again."),
    Visit("tamsin", -7, time(10), 75, Heard({"back": "just_right"}, (4, 3, 1))),
    Visit(
        "jory",
        -56,
        time(15),
        60,
        Heard({"back": "lighter", "thigh_back": "lighter"}),
        "Wanted to hear each step.",
    ),
    Visit("jory", -27, time(15), 60, QUIET),
    Visit("jory", -9, time(15), 75, QUIET, "Asked for the long one from now on."),
    Visit(
        "elowen",
        -18,
        time(14),
        60,
        Heard({"back": "lighter", "neck": "just_right"}),
        "Laughed when the feet came.",
    ),
    Visit("gethin", -12, time(16), 60, Heard({"back": "just_right"}), "The ferry was late.", late=12),
    Visit("piet", -6, time(11), 60, gone="flu in the house"),
    Visit("averil", 1, time(18), 45),
    Visit("rafe", 2, time(18), 60),
    Visit("jory", 4, time(18), 75),
    Visit("elowen", 6, time(18), 60),
    Visit("tamsin", 7, time(18), 75),
)

CHAIRS_ON = -20
"""The day of the harbour fair."""
CHAIRS = (
    (time(10), 15, "Ferrol Tarbuck"),
    (time(10, 20), 15, ""),
    (time(10, 40), 10, ""),
    (time(11), 15, "Junia Capstan"),
    (time(11, 20), 20, ""),
    (time(11, 45), 15, ""),
)


def live_through(db: Database, now: datetime, tell: Tell) -> None:
    """Work the demo's three months up to `now`, and book its next week, in the order in which it happened."""
    today = LocalStart.of(now, ZoneInfo(TIME_ZONE)).day
    practice = _Practice(db, now)
    for client in REGULARS.values():
        then = now - timedelta(days=90)
        desk = practice.at(then)
        with desk.writing() as t:
            tell_new(t, desk, client.client_id, client.record, Told("by_hand", at=then))

    def start(days: int, at: time) -> LocalStart:
        return LocalStart(day=today + timedelta(days=days), at=at)

    doings = [
        (visit.days, visit.at, partial(practice.visit, visit, start(visit.days, visit.at)))
        for visit in VISITS
    ]
    doings += [
        (CHAIRS_ON, at, partial(practice.chair, start(CHAIRS_ON, at), minutes, name))
        for at, minutes, name in CHAIRS
    ]
    for number, (_, _, do) in enumerate(sorted(doings, key=lambda one: one[:2]), 1):
        do()
        if number % 5 == 0 or number == len(doings):
            tell(f"{number} of {len(doings)} sessions")


@dataclass(frozen=True)
class _Practice:
    """The demo practice at any time up to `now`."""

    db: Database
    now: datetime

    def at(self, moment: datetime) -> Desk:
        """Wenna's desk at a moment."""
        then = copy(self.db)
        then.now = lambda: moment
        return Desk.of(then, SignedIn(PRACTICE_ID, THERAPIST_ID), load_catalogue())

    def visit(self, visit: Visit, start: LocalStart) -> None:
        """Book a session, and work it if it is over, or hear that nobody comes."""
        begins = start.instant(ZoneInfo(TIME_ZONE))
        client = (CLIENTS | REGULARS)[visit.client]
        booking = Booking(
            session_id=demo_id(f"visit {visit.client} {visit.days}"),
            client_id=client.client_id,
            kind="full_body",
            minutes=visit.minutes,
            start=start,
            accepted=ANYTHING,
        )
        view = book(self.at(min(begins - AHEAD, self.now)), booking)
        if visit.days >= 0:
            return
        desk = self.at(begins)
        at = ReadAt(view.session_id, view.revision)
        if visit.gone:
            tell_attendance(desk, at, "cancelled", visit.gone)
            return
        view = answer_day(desk, at, DayAnswer(), lasting=False)
        if visit.late:
            at = ReadAt(view.session_id, view.revision)
            view = tell_attendance(desk, at, "late", f"{visit.late} min, the ferry")
        self.work(view, begins + timedelta(minutes=6 + visit.late), visit.heard, visit.note)

    def chair(self, start: LocalStart, minutes: int, name: str) -> None:
        """Somebody walks in at the harbour fair and is worked on; two of them leave a name."""
        begins = start.instant(ZoneInfo(TIME_ZONE))
        desk = self.at(begins)
        session_id = demo_id(f"chair {start.at}")
        told = WalkIn(session_id=session_id, kind="chair", minutes=minutes, accepted=ANYTHING)
        view = walk_in(desk, told)
        self.work(view, begins + timedelta(minutes=1), Heard({"shoulders": "just_right"}), "")
        if name:
            name_walk_in(desk, session_id, NameGiven(name=name))

    def work(self, view: SessionView, begins: datetime, heard: Heard, note: str) -> None:
        """Work a session from `begins` and sign its log."""
        events = worked_run(
            view.evaluation.sheet, begins, seed=begins.toordinal() + begins.minute, heard=heard
        )
        desk = self.at(events[-1].at)
        add_events(desk, view.session_id, events)
        save_log(desk, ReadAt(view.session_id, 0), Log(note=note), sign=True)
