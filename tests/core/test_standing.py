"""Where the therapist stands, and what is reached from there without a turn."""

from itertools import pairwise

import pytest

from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.planner.plan import plan
from tests.settings import CATALOGUE, setting

HERE = setting(ClientFacts(consents=frozenset(CATALOGUE.consents)))
FROM_THE_SIDE = ("kneading", "wringing", "skin_rolling", "picking_up", "scapula_lift")


def stood(brief):
    """Region, position and place of every stroke of the work, in order."""
    entries = HERE.lay_out(plan(brief, HERE).flow).entries
    return [
        (e.stroke, e.region, e.position, e.place) for e in entries if e.kind == "stroke" and e.role == "work"
    ]


@pytest.mark.parametrize("school", ["back_outwards", "feet_upwards", "head_downwards"])
@pytest.mark.parametrize("minutes", [60, 90])
def test_the_back_is_kneaded_and_lifted_from_the_side_and_the_neck_worked_from_the_head(school, minutes):
    """Common practice: what crosses the back wants the side of the table."""
    worked = stood(Brief(school=school, booked_minutes=minutes))
    assert {place for stroke, region, _, place in worked if region == "back" and stroke in FROM_THE_SIDE} <= {
        "left",
        "right",
    }
    assert {place for _, region, _, place in worked if region in ("neck", "face", "scalp")} == {"head"}
    assert {place for _, region, _, place in worked if region == "foot"} == {"foot"}


def test_one_walks_once_while_back_shoulders_and_neck_lie_bare():
    worked = stood(Brief(kind="focus", area="back_and_neck", school="part_in_depth", booked_minutes=30))
    places = [place for _, _, _, place in worked]
    assert sum(a != b for a, b in pairwise(places)) <= 1


@pytest.mark.parametrize(("position", "behind"), [("side_left", "right"), ("side_right", "left")])
def test_one_stands_behind_a_client_on_the_side(position, behind):
    brief = Brief(kind="side_lying", school="side_by_side", booked_minutes=60)
    places = {place for _, region, lies, place in stood(brief) if (region, lies) == ("back", position)}
    assert places == {behind}


@pytest.mark.parametrize("minutes", [30, 45, 60])
@pytest.mark.parametrize("first", ["side_left", "side_right"])
def test_on_one_side_both_halves_of_the_back_are_worked_without_a_turn(minutes, first):
    brief = Brief(kind="side_lying", school="on_one_side", booked_minutes=minutes, first_position=first)
    flow = plan(brief, HERE).flow
    sheet = HERE.lay_out(flow)
    assert {part.position for part in flow.parts} == {first}
    assert [part.side for part in flow.parts if part.region == "back"] == ["mid"]
    assert not [e for e in sheet.entries if e.kind == "turn"]
    assert abs(sheet.over) <= 15
    assert not [f for f in evaluate(flow, HERE).findings if f.severity == "refuse"]
