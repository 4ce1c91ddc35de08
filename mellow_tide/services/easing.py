"""What would spare a therapist's hands on a day, found by trying, to be taken and taken back."""

import json
from collections.abc import Iterator
from datetime import date
from functools import lru_cache
from uuid import UUID

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.designing.easing import NOTICEABLE, Easing, list_easings, load_with, relief
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
"""Changes that are offered: more is a list to read, not help."""


_Measured = tuple[list[tuple[HandLoad, int]], SelfCheck | None]
"""The sessions of a day, each with its seconds at the table, and what ached before the first."""


class EasingOfDay(Record):
    """A change of one session of the day, what the client would notice, and the load of the day with it."""

    session_id: UUID
    revision: int
    client_name: str
    words: str
    notice: str
    edits: tuple[Edit, ...]
    after: DayLoad


class EasedDay(Record):
    """The load of a day as it is, and the changes that lower it most, each by itself, the best first."""

    day: date
    now: DayLoad
    easings: tuple[EasingOfDay, ...]


def read_easings(desk: Desk, day: date | None) -> EasedDay:
    """What would spare the hands of whoever asks on a day, today if none is given; one change a session at most."""
    with desk.reading() as t:
        clock = read_clock(desk, t)
        day = day or clock.today
        rows = [row for row in list_sessions(t, clock.days(day, day), desk.person_id) if row.comes]
        check = find_self_check(t, day, desk.person_id)
    laid = [lay_on_clock(desk, row) for row in rows]
    loads = [(one.hands, one.sheet.seconds) for one in laid]
    now = measure_day_load(loads, check)
    found = sorted(_found(desk, rows, (loads, check), now), key=lambda pair: -pair[0])
    return EasedDay(day=day, now=now, easings=tuple(easing for _, easing in found[:MOST]))


def _found(
    desk: Desk, rows: list[SessionRow], measured: _Measured, now: DayLoad
) -> Iterator[tuple[float, EasingOfDay]]:
    """The best change of each session that is still to begin, with its relief."""
    loads, check = measured
    for place, row in enumerate(rows):
        if row.begun:
            continue
        tried = _tried(json.dumps(row.stored_plan), desk.setting_of(row))
        days = [(one, load_with(loads, place, one, check)) for one in tried]
        if not days:
            continue
        best, after = max(days, key=lambda pair: pair[0].keeps * relief(now, pair[1]))
        gain = best.keeps * relief(now, after)
        if gain >= NOTICEABLE:
            yield (
                gain,
                EasingOfDay(
                    session_id=row.session_id,
                    revision=row.revision,
                    client_name=row.client.name,
                    words=best.words,
                    notice=best.notice,
                    edits=best.edits,
                    after=after,
                ),
            )


@lru_cache(maxsize=128)
def _tried(plan_json: str, setting: Setting) -> tuple[Easing, ...]:
    """All that was tried on a stored plan and helped, kept by all that decides it."""
    return tuple(list_easings(Plan.model_validate_json(plan_json).flow, setting))
