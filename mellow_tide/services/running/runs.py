"""Working a session: events in, state out."""

from collections.abc import Sequence
from uuid import UUID

from mellow_tide.core.catalogue.catalogue import check_known
from mellow_tide.core.refusal import BadFlow, FieldProblem, UnknownReference
from mellow_tide.core.run.events import Added, Began, Observed, PointFound, RunEvent, Said, receive
from mellow_tide.core.run.frozen import FrozenRun
from mellow_tide.core.run.state import RunState
from mellow_tide.core.timing.run_sheet import RunSheet, sheet_id
from mellow_tide.services.desk import Desk
from mellow_tide.services.session_view import make_view
from mellow_tide.store.database import Transaction
from mellow_tide.store.sessions import (
    SessionRow,
    append_events,
    find_session,
    freeze_run,
    list_events,
    lock_session,
)


class DayQuestionOpen(Exception):
    """Work does not begin before the client was asked what is new today."""


class SheetUnknown(Exception):
    """Work began by a run sheet that the plan no longer gives: the device sends it along."""


class WrongSheet(BadFlow):
    """What was sent is not the run sheet that the run names."""

    code = "wrong-sheet"


def add_events(
    desk: Desk, session_id: UUID, events: Sequence[RunEvent], sheet: RunSheet | None = None
) -> RunState:
    """Append events in their order and fold all there are. Those already there change nothing; no time is too odd.

    With the first touch the run sheet is frozen that it names: the present one, or the `sheet` sent along where house,
    pace or plan have changed since the device fetched it. Raises `NotThere`, `UnknownReference`, `SheetUnknown`,
    `WrongSheet`, and `DayQuestionOpen` where work begins before the client was asked.
    """
    regions = desk.catalogue.regions
    problems = [
        check_known(regions, event.region, f"events.{i}.region", "region")
        for i, event in enumerate(events)
        if isinstance(event, Said | Observed | PointFound | Added)
    ]
    found = [problem for problem in problems if problem]
    if found:
        raise UnknownReference(*found)
    with desk.reading() as t:
        lock_session(t, session_id)
        row = find_session(t, session_id)
        began = next((event for event in events if isinstance(event, Began)), None)
        if began and row.answer is None:
            raise DayQuestionOpen
        if began and row.run is None:
            freeze_run(t, session_id, _frozen(desk, row, began.sheet_id, sheet))
        append_events(t, session_id, receive(events, desk.db.now()))
        return _state(t, desk, session_id)


def read_run(desk: Desk, session_id: UUID) -> RunState:
    """How far the run is. Raises `NotThere`."""
    with desk.reading() as t:
        return _state(t, desk, session_id)


def _state(t: Transaction, desk: Desk, session_id: UUID) -> RunState:
    return make_view(desk, find_session(t, session_id), list_events(t, session_id)).run


def _frozen(desk: Desk, row: SessionRow, named: str, sent: RunSheet | None) -> FrozenRun:
    setting = desk.setting_of(row)
    if sent is None:
        sheet = setting.lay_out(row.plan.flow)
        if sheet_id(sheet) != named:
            raise SheetUnknown
    elif sheet_id(sent) == named:
        sheet = sent
    else:
        raise WrongSheet(FieldProblem("sheet", "unknown_sheet", id=named))
    return FrozenRun(sheet_id=named, sheet=sheet, house=desk.house, tempo=setting.tempo)
