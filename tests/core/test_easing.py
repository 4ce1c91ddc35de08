"""Sparing the hands by trying: every change offered lowers the load, and none makes the session less safe."""

import pytest

from mellow_tide.core.checks.check import make_case
from mellow_tide.core.checks.engine import run_checks_untried
from mellow_tide.core.designing.easing import list_easings, load_with, relief
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.flow.edits import apply
from mellow_tide.core.hands.load import measure_day_load
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.strokes.rituals import meet_the_minutes
from tests.settings import CATALOGUE, setting

WITHIN = setting(ClientFacts(consents=frozenset(CATALOGUE.consents)))


@pytest.fixture(scope="module", params=["medium", "firm"])
def flow(request):
    return plan(Brief(booked_minutes=60, pressure=request.param), WITHIN).flow


def severe(flow):
    found = run_checks_untried(make_case(flow, WITHIN))
    return sum(finding.severity != "advice" for finding in found)


def test_each_change_does_what_it_promises_when_it_is_taken(flow):
    before = make_case(flow, WITHIN).load
    easings = list(list_easings(flow, WITHIN))
    assert any(one.hands.thumb_seconds < before.thumb_seconds for one in easings)
    for one in easings:
        taken = (
            plan(one.brief, WITHIN).flow if one.brief else meet_the_minutes(apply(flow, one.edits), WITHIN)
        )
        case = make_case(taken, WITHIN)
        assert case.load == one.hands
        assert case.sheet.seconds == one.seconds
        assert one.hands.thumb_seconds < before.thumb_seconds or one.hands.strain < before.strain
        assert severe(taken) <= severe(flow)
        assert one.notice


def test_another_order_is_tried_and_counts_for_less_than_another_tool(flow):
    orders = [one for one in list_easings(flow, WITHIN) if one.brief]
    tools = [one for one in list_easings(flow, WITHIN) if one.words.endswith("in place of the thumb")]
    assert orders
    assert {one.brief.school for one in orders} <= {"feet_upwards", "head_downwards"}
    assert not any(one.edits for one in orders)
    assert max(one.keeps for one in orders) < min(one.keeps for one in tools)


def test_the_relief_of_a_day_is_what_its_load_loses(flow):
    case = make_case(flow, WITHIN)
    day = [(case.load, case.sheet.seconds)] * 3
    now = measure_day_load(day)
    one = next(one for one in list_easings(flow, WITHIN) if one.hands.thumb_seconds < case.load.thumb_seconds)
    after = load_with(day, 1, one)
    assert after.thumb_seconds == now.thumb_seconds - case.load.thumb_seconds + one.hands.thumb_seconds
    assert relief(now, after) > 0
    assert relief(now, now) == 0
