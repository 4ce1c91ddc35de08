"""What the table's side takes along, so that no server is needed from the first touch to the last."""

from collections.abc import Mapping
from uuid import UUID

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.planner.extras import Extra, extras
from mellow_tide.core.planner.replan_table import ReplanTable, replan_table
from mellow_tide.core.timing.ways import Way, ways
from mellow_tide.services.desk import Desk
from mellow_tide.services.learning import learnt
from mellow_tide.services.sore_points import falls_of, points_by_visit
from mellow_tide.services.standing import standing
from mellow_tide.store.clients import point_events_of


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


def table_side_of(desk: Desk, session_id: UUID) -> TableSide:
    """What the stored plan of a session needs at the table. Raises `NotThere`."""
    stands = standing(desk, session_id)
    with desk.reading() as t:
        pointed = point_events_of(t, stands.row.client_id)
    plan, setting = stands.plan, stands.setting
    known = learnt(desk, stands.row.client_id)
    sure = {start.region for start in known.starts if not start.ask_early}
    worked = dict.fromkeys(part.region for part in plan.flow.parts if part.role == "work")
    earlier = [visit for visit in points_by_visit(pointed) if visit.session_id != session_id]
    return TableSide(
        replanning=replan_table(plan.flow, plan.by_hand, setting),
        ways=ways(plan.flow, setting.catalogue),
        extras=extras(plan.flow, setting),
        falls=falls_of(earlier),
        ask_early=tuple(region for region in worked if known.visits and region not in sure),
    )
