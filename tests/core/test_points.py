"""Sore points that have their minutes in the plan."""

import pytest

from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, Excluded, Place
from mellow_tide.core.planner.adjust import adjust
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.points import drop_points
from mellow_tide.core.planner.reshape import Pull, reshape_part
from mellow_tide.core.refusal import BadBrief
from tests.core.flows import CLIENT
from tests.settings import CATALOGUE, setting

HERE = setting(CLIENT, CATALOGUE)
LEVATOR = Place(region="shoulders", side="right", zone="levator")
HOUR = Brief(booked_minutes=60, points=(LEVATOR,))
PLANNED = plan(HOUR, HERE)


def held(flow):
    return [(part.id, step.stroke, step.zone) for part in flow.parts for step in part.steps if step.point]


def codes(flow, here=HERE):
    return [finding.code for finding in evaluate(flow, here).findings]


def test_a_point_is_held_and_felt_again_on_its_side_before_the_strokes_that_end_it():
    assert held(PLANNED.flow) == [
        ("shoulders-right", "point_hold", "levator"),
        ("shoulders-right", "recheck", "levator"),
    ]
    shoulder = next(part for part in PLANNED.flow.parts if part.id == "shoulders-right")
    assert shoulder.steps[-1].slot == "settle"
    hold = next(step for step in shoulder.steps if step.stroke == "point_hold")
    # Three holds of 8 s, each with 4 s for its number (common practice).
    assert (hold.passes, hold.seconds, hold.with_breath) == (3, 36, True)


def test_it_comes_on_top_of_its_side_and_the_session_still_ends_in_time():
    left, right = (
        next(part for part in drop_points(PLANNED.flow).parts if part.id == f"shoulders-{side}")
        for side in ("left", "right")
    )
    assert [step.stroke for step in left.steps] == [step.stroke for step in right.steps]
    assert abs(HERE.lay_out(PLANNED.flow).over) <= 15
    assert "BAL02" not in codes(PLANNED.flow)
    assert evaluate(PLANNED.flow, HERE).verdicts.balance == "even"


def test_a_plan_asked_for_again_stays_and_a_point_taken_back_gives_its_time_to_the_others():
    assert adjust(PLANNED, HOUR, HERE).flow == PLANNED.flow
    without = adjust(PLANNED, HOUR.model_copy(update={"points": ()}), HERE)
    assert held(without.flow) == []
    assert abs(HERE.lay_out(without.flow).over) <= 15


def test_the_other_side_that_is_pulled_along_gets_no_point():
    longer = reshape_part(PLANNED, Pull(part_id="shoulders-right", seconds=260), HERE)
    assert {part for part, _, _ in held(longer.flow)} == {"shoulders-right"}


@pytest.mark.parametrize(
    "change",
    [
        {"excluded": (Excluded(region="shoulders", side="right"),)},
        {"excluded": (Excluded(region="shoulders", side="both", zone="levator"),)},
        {"conditions": frozenset({"anticoagulants"})},
        {"dislikes": frozenset({"point_hold"})},
    ],
)
def test_a_place_that_may_not_be_held_has_none_and_the_plan_says_so(change):
    here = setting(CLIENT.model_copy(update=change), CATALOGUE)
    flow = plan(HOUR, here).flow
    assert held(flow) == []
    assert "BAL04" in codes(flow, here)


def test_a_point_on_a_pair_names_its_side():
    with pytest.raises(BadBrief, match="side"):
        plan(HOUR.model_copy(update={"points": (Place(region="shoulders", side="both"),)}), HERE)
