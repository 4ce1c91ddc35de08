"""What the table's side takes along, so that no server is needed from the first touch to the last."""

from collections.abc import Mapping
from uuid import UUID

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house import in_house
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.planner.extras import Extra, extras
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.planner.replan_table import ReplanTable, replan_table
from mellow_tide.core.timing.ways import Way, ways
from mellow_tide.services.learning import learnt
from mellow_tide.services.sore_points import falls_of, points_by_visit
from mellow_tide.store.clients import point_events_of
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import SignedIn
from mellow_tide.store.sessions import find_session


class TableSide(Record):
    """How the rest may be shared out anew, the ways past what is then left out, what could be added, and by how much
    sore places fell on earlier visits.

    The key of `falls` is region, side and zone, if any. `ask_early` are the regions of whose pressure too little is
    known after at least one visit.
    """

    replanning: ReplanTable
    ways: tuple[Way, ...]
    extras: tuple[Extra, ...]
    falls: Mapping[str, int]
    ask_early: tuple[str, ...]


def table_side_of(db: Database, who: SignedIn, session_id: UUID, catalogue: Catalogue) -> TableSide:
    """What the stored plan of a session needs at the table. Raises `NotThere`."""
    with db.transaction(Sight(who.practice_id)) as c:
        row = find_session(c, who.practice_id, session_id)
        pointed = point_events_of(c, who.practice_id, row.client_id)
    plan = Plan.model_validate(row.plan)
    known = learnt(db, who, row.client_id, catalogue)
    sure = {start.region for start in known.starts if not start.ask_early}
    worked = dict.fromkeys(part.region for part in plan.flow.parts if part.role == "work")
    earlier = [visit for visit in points_by_visit(pointed) if visit.session_id != session_id]
    return TableSide(
        replanning=replan_table(plan.flow, plan.by_hand, row.facts, catalogue, row.house, row.pace),
        ways=ways(plan.flow, in_house(row.house, catalogue)),
        extras=extras(plan.flow, row.facts, catalogue, row.house, row.pace),
        falls=falls_of(earlier),
        ask_early=tuple(region for region in worked if known.visits and region not in sure),
    )
