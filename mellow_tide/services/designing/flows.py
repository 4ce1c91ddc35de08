"""The library: the flows a practice keeps, and starting a session from one."""

from uuid import UUID, uuid4

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.designing.adaptation import Adapted, NamedChange, adapt_flow
from mellow_tide.core.evaluation.evaluate import Evaluation, evaluate
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.library.shipped import for_anybody, shipped_flows
from mellow_tide.core.planner.difference import Difference, compare_flows
from mellow_tide.core.planner.plan import Plan, plan
from mellow_tide.core.planner.points import drop_points
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.outline import Outline, draw_outline
from mellow_tide.services.designing.planning import PLANNING_SECONDS, after, offering
from mellow_tide.services.designing.standing import PlanChange, change_plan, load_standing
from mellow_tide.services.desk import Desk
from mellow_tide.services.session_view import SessionView
from mellow_tide.store.flows import (
    FlowRow,
    FlowText,
    NewFlow,
    add_flow,
    change_flow,
    find_flow,
    list_flows,
    list_shipped,
)
from mellow_tide.store.sessions import ReadAt


class FlowView(Record):
    """A flow of the library: what it is called and good for, what it works, and how it runs.

    `hands_on_seconds` is what its booking leaves; `shipped`: it came with the product. `revision` must be sent back.
    """

    flow_id: UUID
    name: str
    note: str
    brief: Brief
    regions: tuple[str, ...]
    hands_on_seconds: int
    outline: Outline
    shipped: bool
    archived: bool
    revision: int


class FlowsBeside(Record):
    """Two flows, each evaluated for anybody, and what sets them apart."""

    names: tuple[str, str]
    first: Evaluation
    second: Evaluation
    difference: Difference


class Start(Record):
    """A flow as the start for a session, evaluated for its client; nothing is stored. Each change has its reason."""

    name: str
    plan: Plan
    evaluation: Evaluation
    difference: Difference
    named: tuple[NamedChange, ...]


def read_library(desk: Desk) -> tuple[FlowView, ...]:
    """All flows of the practice, own ones first, archived ones last."""
    return tuple(_view(desk, row) for row in load_library(desk))


def load_library(desk: Desk) -> list[FlowRow]:
    """The same as they are stored; the shipped ones are planned where they miss."""
    with desk.reading() as t:
        there = list_shipped(t)
    planned = [
        NewFlow(
            flow_id=uuid4(),
            text=FlowText(shipped.name, shipped.note),
            flow=plan(shipped.brief, _for_anybody(desk, shipped.gestation_days)).flow,
            gestation_days=shipped.gestation_days,
            origin=shipped.id,
        )
        for shipped in shipped_flows()
        if shipped.id not in there
    ]
    with desk.reading() as t:
        for new in planned:
            add_flow(t, new)
        return list_flows(t)


def keep_flow(desk: Desk, session_id: UUID, text: FlowText) -> FlowView:
    """Keep the flow of a session in the library. What this client wished left out, and their sore points, are not kept.

    Raises `NotThere`.
    """
    stands = load_standing(desk, session_id)
    days = stands.setting.client.gestation_days
    flow = drop_points(stands.plan.flow)
    own: dict[str, object] = {"leave_out": (), "points": ()}
    anybody = flow.model_copy(update={"brief": flow.brief.model_copy(update=own)})
    return _added(desk, NewFlow(uuid4(), text, anybody, days, made_for=stands.row.client_id))


def copy_flow(desk: Desk, flow_id: UUID, name: str) -> FlowView:
    """Keep another flow just like one, under a name of its own. Raises `NotThere`."""
    with desk.reading() as t:
        like = find_flow(t, flow_id)
    text = FlowText(name, like.note)
    return _added(desk, NewFlow(uuid4(), text, like.flow, like.gestation_days, made_for=like.made_for))


def describe_flow(desk: Desk, flow_id: UUID, revision: int, text: FlowText, archived: bool) -> FlowView:
    """Rename, describe, archive or bring back the flow read at `revision`. Raises `NotThere`, `Stale`."""
    with desk.reading() as t:
        change_flow(t, flow_id, revision, text, archived)
        return _view(desk, find_flow(t, flow_id))


def compare_kept(desk: Desk, first: UUID, second: UUID) -> FlowsBeside:
    """Two flows of the library beside one another. Raises `NotThere`."""
    with desk.reading() as t:
        one, other = (find_flow(t, id) for id in (first, second))
    return FlowsBeside(
        names=(one.name, other.name),
        first=evaluate(one.flow, _for_anybody(desk, one.gestation_days)),
        second=evaluate(other.flow, _for_anybody(desk, other.gestation_days)),
        difference=compare_flows(one.flow, other.flow, (), _for_anybody(desk)),
    )


def try_start(desk: Desk, session_id: UUID, flow_id: UUID) -> Start:
    """What `start_from` would store. Raises `NotThere` and the core's refusals."""
    stands = load_standing(desk, session_id)
    like, made = _adapted(desk, flow_id, stands.plan.flow.brief, stands.setting)
    return Start(
        name=like.name,
        plan=made.plan,
        evaluation=evaluate(made.plan.flow, stands.setting),
        difference=made.difference,
        named=made.named,
    )


def take_start(desk: Desk, at: ReadAt, flow_id: UUID) -> SessionView:
    """Store a flow, adapted to the session's client and booking. Raises `Stale`, `RunHasBegun`, and as `start` does."""
    return change_plan(
        desk,
        at,
        lambda stands: PlanChange(adapt_kept_flow(desk, flow_id, stands.plan.flow.brief, stands.setting)),
    )


def adapt_kept_flow(desk: Desk, flow_id: UUID, booked: Brief, setting: Setting) -> Plan:
    """A flow of the library as it is for a client and a booking. Raises `NotThere` and the core's refusals."""
    return _adapted(desk, flow_id, booked, setting)[1].plan


def _adapted(desk: Desk, flow_id: UUID, booked: Brief, setting: Setting) -> tuple[FlowRow, Adapted]:
    with desk.reading() as t:
        like = find_flow(t, flow_id)
    with offering(booked, setting):
        return like, adapt_flow(like.flow, booked, setting, after(PLANNING_SECONDS))


def _added(desk: Desk, new: NewFlow) -> FlowView:
    with desk.reading() as t:
        add_flow(t, new)
        return _view(desk, find_flow(t, new.flow_id))


def _for_anybody(desk: Desk, gestation_days: int | None = None) -> Setting:
    return Setting.of(for_anybody(desk.catalogue, gestation_days), desk.catalogue)


def _view(desk: Desk, row: FlowRow) -> FlowView:
    sheet = _for_anybody(desk, row.gestation_days).lay_out(row.flow)
    return FlowView(
        flow_id=row.flow_id,
        name=row.name,
        note=row.note,
        brief=row.flow.brief,
        regions=tuple(dict.fromkeys(part.region for part in row.flow.parts if part.role == "work")),
        hands_on_seconds=sheet.hands_on_seconds,
        outline=draw_outline(sheet),
        shipped=row.origin is not None,
        archived=row.archived,
        revision=row.revision,
    )
