"""What may be added at the table: reachable, agreed to, and evaluated as safe as a plan's own parts."""

import pytest

from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, ClientFacts, Excluded
from mellow_tide.core.flow.flow import Part
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.table.extras import find_extras
from tests.core.flows import AGREED, CLIENT
from tests.settings import CATALOGUE, setting

WHOLE = Brief(booked_minutes=60)
CHAIR = Brief(kind="chair", school="chair_downwards", close_with="seated", booked_minutes=20)


@pytest.mark.parametrize("brief", [WHOLE, CHAIR])
def test_an_extra_breaks_no_rule_that_the_plan_keeps(brief):
    flow = plan(brief, setting(CLIENT, CATALOGUE)).flow
    before = {f.code for f in evaluate(flow, setting(CLIENT, CATALOGUE)).findings if f.severity == "refuse"}
    found = find_extras(flow, setting(CLIENT, CATALOGUE))
    assert found
    for extra in found:
        at = max(
            i for i, part in enumerate(flow.parts) if part.position == extra.position and part.role != "close"
        )
        added = tuple(
            Part(
                id=f"added-{extra.region}-{side}",
                region=extra.region,
                side=side,
                position=extra.position,
                window=extra.window,
                medium=extra.medium,
                steps=extra.steps,
            )
            for side in extra.sides
        )
        longer = flow.model_copy(update={"parts": (*flow.parts[: at + 1], *added, *flow.parts[at + 1 :])})
        broken = {
            f.code for f in evaluate(longer, setting(CLIENT, CATALOGUE)).findings if f.severity == "refuse"
        }
        # It takes time, which the rest then gives; nothing else may be wrong with it.
        assert {code for code in broken - before if not code.startswith("TIM")} == set(), extra.region


def test_what_the_client_has_not_agreed_to_or_keeps_off_cannot_be_added():
    flow = plan(WHOLE, setting(CLIENT, CATALOGUE)).flow
    regions = {extra.region for extra in find_extras(flow, setting(CLIENT, CATALOGUE))}
    assert {"foot", "scalp"} <= regions
    less = ClientFacts(
        consents=AGREED - {"foot"},
        declined=frozenset({"foot"}),
        excluded=(Excluded(region="scalp", side="mid"),),
    )
    assert {"foot", "scalp"} & {
        extra.region for extra in find_extras(flow, setting(less, CATALOGUE))
    } == set()


def test_lying_on_a_side_only_the_upper_side_is_offered():
    brief = Brief(kind="side_lying", school="side_by_side", booked_minutes=60)
    flow = plan(brief, setting(CLIENT, CATALOGUE)).flow
    for extra in find_extras(flow, setting(CLIENT, CATALOGUE)):
        upper = CATALOGUE.positions[extra.position].upper
        if upper and CATALOGUE.regions[extra.region].sides == "pair":
            assert extra.sides == (upper,)
