"""What a change of how the practice works would do, before it is made."""

from datetime import timedelta
from uuid import UUID

from pydantic import AwareDatetime

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.flow.usual_brief import follow_house
from mellow_tide.core.library.shipped import for_anybody
from mellow_tide.core.phrases.book import say
from mellow_tide.core.planner.difference import compare_flows
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.refusal import Refused
from mellow_tide.core.setting import Setting
from mellow_tide.services.designing.flows import FlowsBeside, load_library
from mellow_tide.services.desk import Desk
from mellow_tide.services.house.settings import work_otherwise
from mellow_tide.store.flows import find_flow
from mellow_tide.store.sessions import Between, find_session, list_sessions

AHEAD = timedelta(days=400)
"""Sessions so far ahead are looked at."""


class PlanTouched(Record):
    """A plan that stands and would be another one."""

    session_id: UUID
    client_name: str
    starts_at: AwareDatetime


class FlowTouched(Record):
    """A flow of the library that would be another one."""

    flow_id: UUID
    name: str


class HouseEffect(Record):
    """What a change would do: which of so many flows, and which of so many plans that stand."""

    flows: tuple[FlowTouched, ...]
    of_flows: int
    plans: tuple[PlanTouched, ...]
    of_plans: int


def try_house(desk: Desk, item: str, after: str | None) -> HouseEffect:
    """What a change would do to the flows of the library, and to plans of sessions that have not begun.

    Raises `UnknownReference`, `Refused`.
    """
    there = _otherwise(desk, item, after)
    flows = [row for row in load_library(desk) if not row.archived]
    with desk.reading() as t:
        now = desk.db.now()
        rows = [row for row in list_sessions(t, Between(now, now + AHEAD)) if row.comes and not row.begun]
    touched = [
        FlowTouched(flow_id=row.flow_id, name=row.name)
        for row in flows
        if _differs(row.flow, *(_for_anybody(c, row.gestation_days) for c in (desk.catalogue, there)))
    ]
    plans = [
        PlanTouched(session_id=row.session_id, client_name=row.client.name, starts_at=row.starts_at)
        for row in rows
        if _differs(row.plan.flow, *(Setting.of(row.facts, c, row.pace) for c in (desk.catalogue, there)))
    ]
    return HouseEffect(flows=tuple(touched), of_flows=len(flows), plans=tuple(plans), of_plans=len(rows))


def look_at_flow(desk: Desk, item: str, after: str | None, flow_id: UUID) -> FlowsBeside:
    """A flow of the library as it is and as a change would make it.

    Raises `NotThere`, `UnknownReference`, and `Refused` where no plan could be made any more.
    """
    there = _otherwise(desk, item, after)
    with desk.reading() as t:
        row = find_flow(t, flow_id)
    here_and_there = (_for_anybody(c, row.gestation_days) for c in (desk.catalogue, there))
    return _beside(row.flow, *here_and_there)


def look_at_plan(desk: Desk, item: str, after: str | None, session_id: UUID) -> FlowsBeside:
    """A plan that stands as it is and as a change would make it. Raises as `look_at_flow`."""
    there = _otherwise(desk, item, after)
    with desk.reading() as t:
        row = find_session(t, session_id)
    return _beside(row.plan.flow, *(Setting.of(row.facts, c, row.pace) for c in (desk.catalogue, there)))


def _otherwise(desk: Desk, item: str, after: str | None) -> Catalogue:
    """The practice's catalogue with one thing changed."""
    return in_house(work_otherwise(desk.house, item, after, desk.shipped), desk.shipped)


def _beside(flow: Flow, here: Setting, there: Setting) -> FlowsBeside:
    """The same flow in both houses where clock, checks or packing list differ; else what is planned in each."""
    before, after = flow, flow
    if _told(flow, here) == _told(flow, there):
        before = plan(flow.brief, here).flow
        after = plan(follow_house(flow.brief, here.catalogue, there.catalogue), there).flow
    return FlowsBeside(
        names=(say("house.now"), say("house.then")),
        first=evaluate(before, here),
        second=evaluate(after, there),
        difference=compare_flows(before, after, (), here, there),
    )


def _for_anybody(catalogue: Catalogue, gestation_days: int | None) -> Setting:
    return Setting.of(for_anybody(catalogue, gestation_days), catalogue)


def _differs(flow: Flow, here: Setting, there: Setting) -> bool:
    """Whether clock, checks or packing list say otherwise of a flow, or its brief would be planned otherwise."""
    if _told(flow, here) != _told(flow, there):
        return True
    brief = flow.brief
    return _planned(brief, here) != _planned(follow_house(brief, here.catalogue, there.catalogue), there)


def _told(flow: Flow, setting: Setting) -> tuple[object, ...]:
    found = evaluate(flow, setting)
    return found.sheet.seconds, found.supplies.packing, *(finding.code for finding in found.findings)


def _planned(brief: Brief, setting: Setting) -> Flow | str:
    """The flow that is planned for a brief, or why there is none; the brief itself is left out of it."""
    try:
        return plan(brief, setting).flow.model_copy(update={"brief": Brief(booked_minutes=60)})
    except Refused as refused:
        return str(refused)
