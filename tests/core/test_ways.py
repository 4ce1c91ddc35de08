"""The way past what is left out is the way a plan without it would go."""

import pytest

from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.ways import find_ways
from tests.core.flows import CLIENT
from tests.settings import CATALOGUE, setting

BRIEFS = [
    Brief(booked_minutes=60),
    Brief(kind="side_lying", school="side_by_side", booked_minutes=60),
    Brief(kind="chair", school="chair_downwards", close_with="seated", booked_minutes=20),
]


@pytest.mark.parametrize("brief", BRIEFS)
def test_a_way_past_parts_is_what_the_clock_lays_out_without_them(brief):
    flow = plan(brief, setting(CLIENT, CATALOGUE)).flow
    found = {(way.start, way.to): way.changes for way in find_ways(flow, CATALOGUE)}
    assert len(found) == (len(flow.parts) - 1) * (len(flow.parts) - 2) // 2
    for (start, to), changes in found.items():
        without = flow.model_copy(update={"parts": (*flow.parts[: start + 1], *flow.parts[to:])})
        sheet = lay_out(without, CATALOGUE)
        wanted = [
            (e.kind, e.seconds, e.about, e.about_side)
            for e in sheet.entries
            if e.part == start + 1 and not e.working
        ]
        assert [(c.kind, c.seconds, c.about, c.about_side) for c in changes] == wanted


def test_leaving_out_the_first_part_after_a_turn_does_not_leave_out_the_turn():
    flow = plan(BRIEFS[0], setting(CLIENT, CATALOGUE)).flow
    at = next(i for i, s in enumerate(flow.parts) if s.position != flow.parts[0].position)
    past = next(way for way in find_ways(flow, CATALOGUE) if (way.start, way.to) == (at - 1, at + 1))
    assert "turn" in [change.kind for change in past.changes]
