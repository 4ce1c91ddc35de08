"""The smallest changes of an impossible brief that would do."""

import pytest

from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.planner.offers import find_offers
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.refusal import DoesNotFit
from tests.core.flows import CLIENT
from tests.settings import CATALOGUE, setting

FEW = tuple(r for r in CATALOGUE.regions if r not in ("hand", "face"))
ALLERGIC = CLIENT.model_copy(update={"conditions": frozenset({"nut_allergy"})})
PREGNANT = CLIENT.model_copy(update={"gestation_days": 190})


def offered(brief, client=CLIENT):
    with pytest.raises(DoesNotFit) as caught:
        plan(brief, setting(client, CATALOGUE))
    found = find_offers(caught.value, brief, setting(client, CATALOGUE))
    # Each has been tried: with it there is a plan.
    for offer in found:
        assert plan(brief.model_copy(update=dict(offer.change)), setting(client, CATALOGUE))
    return [offer.says for offer in found]


@pytest.mark.parametrize(
    ("brief", "client", "says"),
    [
        (
            Brief(booked_minutes=25, focus=("back", "foot", "neck")),
            CLIENT,
            [
                "Book 30 minutes",
                "Take back out of the focus",
                "Take feet out of the focus",
                "Take neck out of the focus",
            ],
        ),
        (Brief(booked_minutes=90, leave_out=FEW), CLIENT, ["Book 25 minutes"]),
        (Brief(booked_minutes=60, focus=("abdomen",)), CLIENT, ["Take abdomen out of the focus"]),
        (
            Brief(booked_minutes=60, lubricant="sweet_almond_oil", ceiling=8),
            ALLERGIC,
            ["Use grapeseed oil and ease off at 4", "Use jojoba and ease off at 4"],
        ),
        (Brief(booked_minutes=60), PREGNANT, ["Plan it side-lying", "Plan it prenatal"]),
        (Brief(booked_minutes=60, finish="bright"), CLIENT, ["Let it end calm"]),
        (Brief(booked_minutes=60, first_position="seated_upright"), CLIENT, ["Begin as the school does"]),
    ],
)
def test_what_would_do_is_offered_and_does(brief, client, says):
    assert offered(brief, client) == says


def test_where_no_single_change_would_do_the_fewest_together_are_offered():
    [says] = offered(Brief(booked_minutes=60, leave_out=tuple(CATALOGUE.regions)))
    assert says == "Book 35 minutes and work back after all"
