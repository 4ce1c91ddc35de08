"""The library: the flows a practice keeps, and starting a session from one."""

from uuid import UUID, uuid4

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house import House, in_house
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.designing.adaptation import Adapted, Named, adapted
from mellow_tide.core.evaluation.evaluate import Evaluation, evaluate
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.library.shipped import for_anybody, shipped_flows
from mellow_tide.core.planner.difference import Difference, difference
from mellow_tide.core.planner.plan import Plan, plan
from mellow_tide.core.timing.outline import Outline, outline
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.tempo import tempo_of
from mellow_tide.services.planning import PLANNING_SECONDS, after, offering
from mellow_tide.services.session_view import SessionView
from mellow_tide.services.standing import found, store_plan, unworked
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.flows import FlowRow, add_flow, change_flow, find_flow, flows_of, shipped_there
from mellow_tide.store.people import SignedIn, house_of
from mellow_tide.store.sessions import SessionRow


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
    named: tuple[Named, ...]


def library(db: Database, who: SignedIn, catalogue: Catalogue) -> tuple[FlowView, ...]:
    """All flows of the practice, own ones first, archived ones last; the shipped ones are planned where they miss."""
    with db.transaction(Sight(who.practice_id)) as c:
        house = house_of(c, who.practice_id)
        there = shipped_there(c, who.practice_id)
    missing = [shipped for shipped in shipped_flows() if shipped.id not in there]
    planned = [
        (shipped, plan(shipped.brief, for_anybody(catalogue, shipped.gestation_days), catalogue, house).flow)
        for shipped in missing
    ]
    with db.transaction(Sight(who.practice_id)) as c:
        for shipped, flow in planned:
            add_flow(
                c,
                who.practice_id,
                uuid4(),
                shipped.name,
                shipped.note,
                flow.model_dump(mode="json"),
                shipped.gestation_days,
                shipped.id,
            )
        rows = flows_of(c, who.practice_id)
    return tuple(_view(row, house, catalogue) for row in rows)


def keep_flow(
    db: Database, who: SignedIn, session_id: UUID, name: str, note: str, catalogue: Catalogue
) -> FlowView:
    """Keep the flow of a session in the library. Raises `NotThere`."""
    row = found(db, who, session_id)
    flow = Plan.model_validate(row.plan).flow
    days = row.facts.gestation_days
    return _added(db, who, name, note, flow, days, catalogue)


def copy_flow(db: Database, who: SignedIn, flow_id: UUID, name: str, catalogue: Catalogue) -> FlowView:
    """Keep another flow just like one, under a name of its own. Raises `NotThere`."""
    with db.transaction(Sight(who.practice_id)) as c:
        like = find_flow(c, who.practice_id, flow_id)
    return _added(db, who, name, like.note, Flow.model_validate(like.flow), like.gestation_days, catalogue)


def describe_flow(
    db: Database,
    who: SignedIn,
    flow_id: UUID,
    revision: int,
    name: str,
    note: str,
    archived: bool,
    catalogue: Catalogue,
) -> FlowView:
    """Rename, describe, archive or bring back the flow read at `revision`. Raises `NotThere`, `Stale`."""
    with db.transaction(Sight(who.practice_id)) as c:
        change_flow(c, who.practice_id, flow_id, revision, name, note, archived)
        return _view(find_flow(c, who.practice_id, flow_id), house_of(c, who.practice_id), catalogue)


def flows_beside(db: Database, who: SignedIn, first: UUID, second: UUID, catalogue: Catalogue) -> FlowsBeside:
    """Two flows of the library beside one another. Raises `NotThere`."""
    with db.transaction(Sight(who.practice_id)) as c:
        house = house_of(c, who.practice_id)
        rows = [find_flow(c, who.practice_id, id) for id in (first, second)]
    one, other = (Flow.model_validate(row.flow) for row in rows)
    evaluations = [
        evaluate(Flow.model_validate(row.flow), for_anybody(catalogue, row.gestation_days), catalogue, house)
        for row in rows
    ]
    return FlowsBeside(
        names=(rows[0].name, rows[1].name),
        first=evaluations[0],
        second=evaluations[1],
        difference=difference(one, other, (), for_anybody(catalogue), catalogue, house),
    )


def start(db: Database, who: SignedIn, session_id: UUID, flow_id: UUID, catalogue: Catalogue) -> Start:
    """What `start_from` would store. Raises `NotThere` and the core's refusals."""
    row = found(db, who, session_id)
    flow, made = _adapted(db, who, row, flow_id, catalogue)
    return Start(
        name=flow.name,
        plan=made.plan,
        evaluation=evaluate(made.plan.flow, row.facts, catalogue, row.house, row.pace),
        difference=made.difference,
        named=made.named,
    )


def start_from(
    db: Database, who: SignedIn, session_id: UUID, revision: int, flow_id: UUID, catalogue: Catalogue
) -> SessionView:
    """Store a flow, adapted to the session's client and booking. Raises `Stale`, `RunHasBegun`, and as `start` does."""
    row = unworked(db, who, session_id)
    _, made = _adapted(db, who, row, flow_id, catalogue)
    return store_plan(db, who, session_id, revision, made.plan, catalogue)


def _adapted(
    db: Database, who: SignedIn, row: SessionRow, flow_id: UUID, catalogue: Catalogue
) -> tuple[FlowRow, Adapted]:
    with db.transaction(Sight(who.practice_id)) as c:
        like = find_flow(c, who.practice_id, flow_id)
    flow, booked = Flow.model_validate(like.flow), Plan.model_validate(row.plan).flow.brief
    with offering(booked, row, catalogue):
        made = adapted(
            flow, booked, row.facts, catalogue, row.house, row.pace, deadline=after(PLANNING_SECONDS)
        )
    return like, made


def _added(
    db: Database,
    who: SignedIn,
    name: str,
    note: str,
    flow: Flow,
    gestation_days: int | None,
    catalogue: Catalogue,
) -> FlowView:
    flow_id = uuid4()
    with db.transaction(Sight(who.practice_id)) as c:
        add_flow(c, who.practice_id, flow_id, name, note, flow.model_dump(mode="json"), gestation_days)
        return _view(find_flow(c, who.practice_id, flow_id), house_of(c, who.practice_id), catalogue)


def _view(row: FlowRow, house: House, catalogue: Catalogue) -> FlowView:
    flow = Flow.model_validate(row.flow)
    client = for_anybody(catalogue, row.gestation_days)
    sheet = lay_out(flow, in_house(house, catalogue), tempo_of(client))
    return FlowView(
        flow_id=row.flow_id,
        name=row.name,
        note=row.note,
        brief=flow.brief,
        regions=tuple(dict.fromkeys(part.region for part in flow.parts if part.role == "work")),
        hands_on_seconds=sheet.hands_on_seconds,
        outline=outline(sheet),
        shipped=row.origin is not None,
        archived=row.archived,
        revision=row.revision,
    )
