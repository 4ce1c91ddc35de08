"""Why a flow is as it is."""

import pytest

from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.reasons import explain_flow
from tests.core.flows import CLIENT
from tests.settings import CATALOGUE, setting


def reasons_for(**fields):
    flow = plan(Brief(**fields), setting(CLIENT, CATALOGUE)).flow
    found = explain_flow(flow, setting(CLIENT, CATALOGUE))
    return flow, found, {reason.region: reason for reason in found.regions}


def test_one_more_minute_is_given_by_those_between_their_bounds_by_weight():
    flow, _, by_region = reasons_for(booked_minutes=75, focus=("back",))
    assert by_region.keys() == {part.region for part in flow.parts if part.role == "work"}
    for reason in by_region.values():
        if reason.bound == "most" or not reason.gives:
            continue
        assert sum(give.seconds for give in reason.gives) == pytest.approx(-60, abs=4)
        assert all(give.region != reason.region for give in reason.gives)
        # Who has reached the least gives no more than what passes could not divide.
        at_least = {id for id, other in by_region.items() if other.bound == "least"}
        assert all(give.seconds > -15 for give in reason.gives if give.region in at_least)
    assert by_region["back"].focus == 1.8
    assert by_region["neck"].focus == 1.0
    assert by_region["neck"].school == 2.3


def test_a_region_at_its_most_says_so():
    _, _, by_region = reasons_for(booked_minutes=120, leave_out=("back", "shoulders", "foot"))
    full = [reason for reason in by_region.values() if reason.bound == "most"]
    assert full
    assert all(reason.gives == () for reason in full)


@pytest.mark.parametrize("minutes", [45, 75, 105])
def test_the_order_is_no_dearer_than_the_plain_one(minutes):
    _, found, _ = reasons_for(booked_minutes=minutes)
    assert found.order.seconds <= found.order.plain_seconds


def test_a_labour_has_no_minutes_to_give_reasons_for():
    brief = Brief(kind="labour_support", school="between_and_during", booked_minutes=60)
    client = CLIENT.model_copy(update={"gestation_days": 275})
    flow = plan(brief, setting(client, CATALOGUE)).flow
    assert explain_flow(flow, setting(client, CATALOGUE)).regions == ()
    firm = plan(
        brief.model_copy(update={"pressure": "firm", "focus": ("hips",)}), setting(client, CATALOGUE)
    ).flow
    assert next(s.region for s in firm.parts if s.role == "work") == "hips"
    assert max(x.depth for s in firm.parts for x in s.steps) >= max(
        x.depth for s in flow.parts for x in s.steps
    )
