"""What a therapist's sessions of a day ask of the hands, along the day."""

import json
from collections.abc import Sequence
from functools import lru_cache
from typing import NamedTuple

from mellow_tide.core.hands.load import DayLoad, HandLoad, measure_day_load, measure_hand_load
from mellow_tide.core.hands.self_check import SelfCheck
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.outline import Outline, draw_outline
from mellow_tide.core.timing.run_sheet import RunSheet
from mellow_tide.services.desk import Desk
from mellow_tide.store.sessions import SessionRow


class OnClock(NamedTuple):
    """A plan on the clock: its sheet, what it asks of the hands, and its tide in little."""

    sheet: RunSheet
    hands: HandLoad
    outline: Outline


def lay_on_clock(desk: Desk, row: SessionRow) -> OnClock:
    """The plan of a session on the clock; once it has begun, what it is worked by."""
    setting = desk.setting_of(row)
    if row.run:
        return _measured(row.run.sheet, setting)
    return lay_stored_plan(json.dumps(row.stored_plan), setting)


def lay_plan_on_clock(plan: Plan, setting: Setting) -> OnClock:
    """A plan that is not stored yet, on the clock."""
    return _measured(setting.lay_out(plan.flow), setting)


def grow_load(sessions: Sequence[OnClock], check: SelfCheck | None = None) -> tuple[DayLoad, ...]:
    """The load after each session of a day that began with `check`."""
    each = [(one.hands, one.sheet.seconds) for one in sessions]
    return tuple(measure_day_load(each[: n + 1], check) for n in range(len(each)))


def measure_load(sessions: Sequence[OnClock]) -> DayLoad:
    """The load of all of them."""
    return measure_day_load([(one.hands, one.sheet.seconds) for one in sessions])


@lru_cache(maxsize=256)
def lay_stored_plan(plan_json: str, setting: Setting) -> OnClock:
    """A plan in JSON on the clock, kept by all that decides it: it is read more than changed."""
    return lay_plan_on_clock(Plan.model_validate_json(plan_json), setting)


def _measured(sheet: RunSheet, setting: Setting) -> OnClock:
    return OnClock(sheet, measure_hand_load(sheet, setting.catalogue), draw_outline(sheet))
