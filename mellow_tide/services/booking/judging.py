"""What does not go with a booking: told before it is stored, and stored only where it is meant."""

from collections.abc import Collection, Sequence
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from typing import Annotated, NamedTuple
from uuid import UUID

from pydantic import Field

from mellow_tide.core.booking.clashes import (
    Booked,
    Clash,
    ClashKind,
    DayRules,
    find_elsewhere,
    judge_booking,
    judge_hands,
)
from mellow_tide.core.booking.starts import LocalStart
from mellow_tide.core.hands.load import DayLoad
from mellow_tide.core.phrases.book import say
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.setting import Setting
from mellow_tide.services.booking.clock import PracticeClock, read_hours_of
from mellow_tide.services.booking.load import OnClock, lay_on_clock, lay_plan_on_clock, measure_load
from mellow_tide.services.desk import Desk
from mellow_tide.store.bookings import list_bookings
from mellow_tide.store.calendar.blocks import list_blocks
from mellow_tide.store.database import Transaction
from mellow_tide.store.sessions import Between, list_sessions

AROUND = timedelta(days=1)
"""Bookings that a booking is held against begin at most so long before or after it."""

Accepted = Annotated[tuple[ClashKind, ...], Field(max_length=20)]
"""The kinds of clash that were shown and are meant."""


class Clashing(Exception):
    """What does not go is said before it is stored: `clashes` were not accepted."""

    def __init__(self, clashes: Sequence[Clash]) -> None:
        super().__init__("; ".join(clash.kind for clash in clashes))
        self.clashes = tuple(clashes)


def refuse_clashes(clashes: Sequence[Clash], accepted: Sequence[ClashKind]) -> None:
    """Raise `Clashing` where something does not go that was not accepted."""
    if any(clash.kind not in accepted for clash in clashes):
        raise Clashing(clashes)


@dataclass(frozen=True)
class Wanted:
    """A booking that is not stored yet, or is to be moved: for whom, by whom. No `client_id`: not a client yet."""

    booked: Booked
    person_id: UUID
    client_id: UUID | None = None


@dataclass(frozen=True)
class Placed:
    """A session where it is to be, with the plan it has there and the setting that this is for."""

    wanted: Wanted
    start: LocalStart
    plan: Plan
    setting: Setting

    @property
    def session_id(self) -> UUID:
        """The session's id."""
        return self.wanted.booked.session_id

    @property
    def starts_at(self) -> datetime:
        """The instant at which it starts."""
        return self.wanted.booked.starts_at

    @property
    def on_clock(self) -> OnClock:
        """The plan on the clock."""
        return lay_plan_on_clock(self.plan, self.setting)


class DayJudged(NamedTuple):
    """What does not go, and what the day of the first session asks of the hands with it."""

    clashes: tuple[Clash, ...]
    load: DayLoad


def find_clashes_of(
    t: Transaction, clock: PracticeClock, wanted: Wanted, apart: Collection[UUID] = ()
) -> tuple[Clash, ...]:
    """What a booking would bring into the therapist's day, and where its client is at that time.

    What is stored of the sessions `apart` does not count: they go elsewhere.
    """
    apart = {*apart, wanted.booked.session_id}
    around = Between(wanted.booked.starts_at - AROUND, wanted.booked.ends_at + AROUND)
    rows = [row for row in list_bookings(t, around) if row.session_id not in apart]
    others = [row.booked for row in rows if row.person_id == wanted.person_id]
    elsewhere = [
        row.booked for row in rows if row.client_id == wanted.client_id and row.person_id != wanted.person_id
    ]
    blocks = list_blocks(t, around, wanted.person_id)
    rules = DayRules(read_hours_of(t, wanted.person_id), clock.zone, clock.manner, blocks)
    return (
        *judge_booking(others, wanted.booked, rules),
        *find_elsewhere(elsewhere, wanted.booked),
    )


def judge(
    desk: Desk, t: Transaction, clock: PracticeClock, placed: Sequence[Placed], shown: date
) -> DayJudged:
    """What does not go with sessions that are to be booked or moved together.

    A clash on another day than the one that is `shown` says its day. The sessions are worked out before, since no
    transaction is opened in another.
    """
    together = {one.session_id for one in placed}
    clashes: list[Clash] = []
    loads: list[DayLoad] = []
    for one in placed:
        hands = _judge_hands(desk, t, clock, one, together)
        found = (*find_clashes_of(t, clock, one.wanted, together), *hands.clashes)
        clashes += (
            found if one.start.day == shown else [_dated(clash, one.start.day, clock) for clash in found]
        )
        loads.append(hands.load)
    return DayJudged(tuple(clashes), loads[0] if loads else measure_load(()))


def _judge_hands(
    desk: Desk, t: Transaction, clock: PracticeClock, placed: Placed, together: Collection[UUID]
) -> DayJudged:
    """Whether a session makes its day too full for the hands, and the day's load with it."""
    others = [
        lay_on_clock(desk, row)
        for row in list_sessions(t, clock.days(placed.start.day, placed.start.day), placed.wanted.person_id)
        if row.session_id not in together and row.comes
    ]
    before, after = measure_load(others), measure_load([*others, placed.on_clock])
    return DayJudged(judge_hands(placed.wanted.booked, before, after), after)


def _dated(clash: Clash, day: date, clock: PracticeClock) -> Clash:
    words = clock.manner.say_short_day(day)
    return clash.model_copy(update={"says": say("booking.on_day", day=words, says=clash.says)})
