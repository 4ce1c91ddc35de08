"""What the table's side takes along, so that no server is needed from the first touch to the last."""

from collections.abc import Mapping
from uuid import UUID

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.learning.start import StartDepth
from mellow_tide.core.planner.table.extras import Extra, find_extras
from mellow_tide.core.planner.table.replan_table import ReplanTable, make_replan_table
from mellow_tide.core.timing.ways import WayPast, find_ways
from mellow_tide.services.designing.standing import load_standing
from mellow_tide.services.desk import Desk
from mellow_tide.services.learning.learnt import read_learnt
from mellow_tide.services.running.sore_points import group_points, measure_falls
from mellow_tide.store.meeting.clients import list_point_events


class TableSide(Record):
    """How the rest may be shared out anew, the ways past what is then left out, what could be added, and by how much
    sore places fell on earlier visits.

    The key of `falls` is region, side and zone, if any. `ask_early` are the regions of whose pressure too little is
    known after at least one visit; `starts`: where the work on a region starts, and why, where that is known.
    """

    replanning: ReplanTable
    ways: tuple[WayPast, ...]
    extras: tuple[Extra, ...]
    falls: Mapping[str, int]
    ask_early: tuple[str, ...]
    starts: Mapping[str, StartDepth]


def read_table_side(desk: Desk, session_id: UUID) -> TableSide:
    """What the stored plan of a session needs at the table. Raises `NotThere`."""
    stands = load_standing(desk, session_id)
    with desk.reading() as t:
        pointed = list_point_events(t, stands.row.client_id)
    plan, setting = stands.plan, stands.setting
    known = read_learnt(desk, stands.row.client_id)
    sure = {start.region for start in known.starts if not start.ask_early}
    worked = dict.fromkeys(part.region for part in plan.flow.parts if part.role == "work")
    earlier = [visit for visit in group_points(pointed) if visit.session_id != session_id]
    return TableSide(
        replanning=make_replan_table(plan.flow, plan.by_hand, setting),
        ways=find_ways(plan.flow, setting.catalogue),
        extras=find_extras(plan.flow, setting),
        falls=measure_falls(earlier),
        ask_early=tuple(region for region in worked if known.visits and region not in sure),
        starts={start.region: start for start in known.starts if start.region in worked},
    )
