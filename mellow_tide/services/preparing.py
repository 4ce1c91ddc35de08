"""What to prepare for a session and for a whole day, ticked off on any device of the practice."""

import json
from collections.abc import Iterable
from datetime import date, timedelta
from functools import lru_cache
from typing import NamedTuple
from uuid import UUID

from pydantic import AwareDatetime

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.checks.check import make_case
from mellow_tide.core.evaluation.case_supplies import count_case_supplies
from mellow_tide.core.hands.load import THUMB_SECONDS_A_DAY
from mellow_tide.core.hands.self_check import SelfCheck, spare_thumbs
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.preparing.day import DaySupplies, add_up_supplies
from mellow_tide.core.preparing.session import ToPrepare, list_to_prepare
from mellow_tide.core.setting import Setting
from mellow_tide.core.supplies.packing import Supplies
from mellow_tide.services.booking.clock import read_clock
from mellow_tide.services.desk import Desk
from mellow_tide.store.errors import NotThere
from mellow_tide.store.preparing import (
    PreparedRow,
    find_self_check,
    keep_self_check,
    list_prepared,
    set_prepared,
)
from mellow_tide.store.sessions import SessionRow, find_session, list_sessions


class PreparedItem(Record):
    """A thing to prepare; `due_at`: when, where that matters; `done_at` and `done_by` once it is ready."""

    thing: ToPrepare
    due_at: AwareDatetime | None
    done_at: AwareDatetime | None
    done_by: str | None


class Preparation(Record):
    """What to prepare for one session, in the order in which it is done."""

    session_id: UUID
    client_name: str
    starts_at: AwareDatetime
    items: tuple[PreparedItem, ...]


class SelfChecked(Record):
    """What ached before the day, what of it is to be seen by somebody licensed, and what that leaves the thumbs.

    `check` is None where nobody said; `thumb_seconds` of `usual_thumb_seconds` are what the day bears.
    """

    check: SelfCheck | None
    have_seen: tuple[str, ...]
    thumb_seconds: int
    usual_thumb_seconds: int = THUMB_SECONDS_A_DAY


class DayPreparation(Record):
    """A therapist's day: each session that is still to begin, in order, and what all of the day take together."""

    day: date
    time_zone: str
    self_check: SelfChecked
    sessions: tuple[Preparation, ...]
    supplies: DaySupplies


def read_preparation(desk: Desk, session_id: UUID) -> Preparation:
    """What to prepare for a session. Raises `NotThere`."""
    with desk.reading() as t:
        row = find_session(t, session_id)
        ready = list_prepared(t, [session_id])
    return _prepare(desk, row, ready)


def tick_prepared(desk: Desk, session_id: UUID, item: str, done: bool) -> Preparation:
    """Tick an item off, or open it again. Raises `NotThere` for a session or an item that is not."""
    with desk.writing() as t:
        row = find_session(t, session_id)
        if item not in {thing.id for thing in find_needs(desk, row).things}:
            raise NotThere("item")
        set_prepared(t, session_id, item, desk.name(t) if done else None)
        ready = list_prepared(t, [session_id])
    return _prepare(desk, row, ready)


def read_day_preparation(desk: Desk, day: date | None) -> DayPreparation:
    """What to prepare for the sessions that whoever asks works on a day, today if none is given."""
    with desk.reading() as t:
        clock = read_clock(desk, t)
        day = day or clock.today
        rows = [row for row in list_sessions(t, clock.days(day, day), desk.person_id) if row.comes]
        ready = list_prepared(t, [row.session_id for row in rows])
        check = find_self_check(t, day, desk.person_id)
    return DayPreparation(
        day=day,
        time_zone=clock.zone.key,
        self_check=_checked(check),
        sessions=tuple(_prepare(desk, row, ready) for row in rows if not row.begun),
        supplies=add_up_supplies((find_needs(desk, row).supplies for row in rows), desk.catalogue),
    )


def check_oneself(desk: Desk, check: SelfCheck) -> SelfChecked:
    """Keep how one's own hands and back are today."""
    with desk.writing() as t:
        keep_self_check(t, read_clock(desk, t).today, check)
    return _checked(check)


def _checked(check: SelfCheck | None) -> SelfChecked:
    return SelfChecked(
        check=check,
        have_seen=check.have_seen if check else (),
        thumb_seconds=spare_thumbs(THUMB_SECONDS_A_DAY, check),
    )


def _prepare(desk: Desk, row: SessionRow, ready: Iterable[PreparedRow]) -> Preparation:
    done = {one.item: one for one in ready if one.session_id == row.session_id}
    return Preparation(
        session_id=row.session_id,
        client_name=row.client.name,
        starts_at=row.starts_at,
        items=tuple(_item(row, thing, done.get(thing.id)) for thing in find_needs(desk, row).things),
    )


def _item(row: SessionRow, thing: ToPrepare, done: PreparedRow | None) -> PreparedItem:
    due = None if thing.minute is None else row.starts_at + timedelta(minutes=thing.minute)
    return PreparedItem(
        thing=thing,
        due_at=due,
        done_at=done.done_at if done else None,
        done_by=done.done_by if done else None,
    )


class Needs(NamedTuple):
    """What a session needs ready, and what it uses."""

    things: tuple[ToPrepare, ...]
    supplies: Supplies


def find_needs(desk: Desk, row: SessionRow) -> Needs:
    """What the plan of a session needs."""
    setting = desk.setting_of(row)
    set_up = row.client.set_up_for(setting.catalogue.kinds[row.stored_plan["flow"]["brief"]["kind"]].surface)
    return _needs_of(json.dumps(row.stored_plan), setting, set_up)


@lru_cache(maxsize=256)
def _needs_of(plan_json: str, setting: Setting, set_up: str) -> Needs:
    """What a stored plan needs, kept by all that decides it: a day is read more often than it is changed."""
    case = make_case(Plan.model_validate_json(plan_json).flow, setting)
    supplies = count_case_supplies(case)
    return Needs(list_to_prepare(case, supplies, set_up), supplies)
