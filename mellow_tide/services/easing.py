"""What would spare a therapist's hands on a day or in a week, found by trying, to be taken and taken back."""

import json
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache
from itertools import chain, islice
from uuid import UUID

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.designing.easing import NOTICEABLE, Easing, list_easings, load_with, relief
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.flow.edits import Edit
from mellow_tide.core.hands.load import DayLoad, HandLoad, measure_day_load
from mellow_tide.core.hands.self_check import SelfCheck
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.setting import Setting
from mellow_tide.services.booking.clock import read_clock
from mellow_tide.services.booking.load import lay_on_clock
from mellow_tide.services.desk import Desk
from mellow_tide.store.preparing import find_self_check
from mellow_tide.store.sessions import SessionRow, list_sessions

MOST = 4
"""Changes that are offered for a day: more is a list to read, not help."""

MOST_OF_WEEK = 8
DAYS_OF_WEEK = 7

SESSIONS_TRIED = 12
"""Sessions of a week that are tried, the heaviest days first: a third of a second each, the first time."""


class EasingOfDay(Record):
    """A change of one session, what the client would notice, and the load of its day without it and with it.

    It is done by `edits`, or by planning anew for `brief`.
    """

    session_id: UUID
    revision: int
    client_name: str
    day: date
    words: str
    notice: str
    edits: tuple[Edit, ...]
    brief: Brief | None
    before: DayLoad
    after: DayLoad


class EasedDay(Record):
    """The load of a day as it is, and the changes that lower it most, each by itself, the best first.

    `days`: of so many days from that one on the changes are.
    """

    day: date
    days: int
    now: DayLoad
    easings: tuple[EasingOfDay, ...]


@dataclass(frozen=True)
class _Day:
    """The sessions of a day, each with what it asks of the hands and its seconds at the table."""

    day: date
    rows: Sequence[SessionRow]
    loads: Sequence[tuple[HandLoad, int]]
    check: SelfCheck | None

    @property
    def now(self) -> DayLoad:
        return measure_day_load(self.loads, self.check)


def read_easings(desk: Desk, day: date | None, week: bool = False) -> EasedDay:
    """What would spare the hands of whoever asks on a day, or in the week from it on; one change a session at most.

    Today if no day is given.
    """
    with desk.reading() as t:
        clock = read_clock(desk, t)
        day = day or clock.today
        asked = [day + timedelta(days=n) for n in range(DAYS_OF_WEEK if week else 1)]
        rows = {one: list_sessions(t, clock.days(one, one), desk.person_id) for one in asked}
        checks = {one: find_self_check(t, one, desk.person_id) for one in asked}
    days = [_measure(desk, one, rows[one], checks[one]) for one in asked]
    tried = SESSIONS_TRIED if week else None
    heaviest = sorted(days, key=lambda one: -_heaviness(one.now))
    found = list(islice(chain.from_iterable(_found(desk, one) for one in heaviest), tried))
    best = sorted((pair for pair in found if pair), key=lambda pair: -pair[0])
    easings = tuple(easing for _, easing in best[: MOST_OF_WEEK if week else MOST])
    return EasedDay(day=day, days=len(asked), now=days[0].now, easings=easings)


def _measure(desk: Desk, day: date, rows: Sequence[SessionRow], check: SelfCheck | None) -> _Day:
    come = [row for row in rows if row.comes]
    laid = [lay_on_clock(desk, row) for row in come]
    return _Day(day, come, [(one.hands, one.sheet.seconds) for one in laid], check)


def _heaviness(load: DayLoad) -> float:
    """What a day with nothing in it would be spared."""
    return relief(load, measure_day_load(()))


def _found(desk: Desk, of_day: _Day) -> Iterator[tuple[float, EasingOfDay] | None]:
    """For each session that is still to begin its best change with its relief, or None where nothing helps."""
    now = of_day.now
    for place, row in enumerate(of_day.rows):
        if row.begun:
            continue
        tried = _tried(json.dumps(row.stored_plan), desk.setting_of(row))
        days = [(one, load_with(of_day.loads, place, one, of_day.check)) for one in tried]
        best, after = max(days, key=lambda pair: pair[0].keeps * relief(now, pair[1]), default=(None, now))
        gain = best.keeps * relief(now, after) if best else 0
        if best is None or gain < NOTICEABLE:
            yield None
            continue
        yield (
            gain,
            EasingOfDay(
                session_id=row.session_id,
                revision=row.revision,
                client_name=row.client.name,
                day=of_day.day,
                words=best.words,
                notice=best.notice,
                edits=best.edits,
                brief=best.brief,
                before=now,
                after=after,
            ),
        )


@lru_cache(maxsize=128)
def _tried(plan_json: str, setting: Setting) -> tuple[Easing, ...]:
    """All that was tried on a stored plan and helped, kept by all that decides it."""
    return tuple(list_easings(Plan.model_validate_json(plan_json).flow, setting))
