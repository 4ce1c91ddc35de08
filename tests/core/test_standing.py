"""Where the therapist stands, and what is reached from there without a turn."""

from itertools import pairwise

import pytest

from mellow_tide.core.designing.quick_add import suggest_edits
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.flow.edits import ChangeStep, apply
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.timed import part_seconds
from tests.core.flows import CLOSE, OPEN, flow, part, step
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


@pytest.mark.parametrize("school", ["back_outwards", "feet_upwards", "head_downwards"])
def test_a_plan_changes_place_by_part_alone(school):
    entries = HERE.lay_out(plan(Brief(school=school, booked_minutes=90), HERE).flow).entries
    assert not [e.address for e in entries if e.kind == "walk" and e.working]


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


GLIDE, KNEAD = step("effleurage", "warm"), step("kneading", "knead")
FROM_HEAD = GLIDE.model_copy(update={"stand": "head"})
WALK, RENEWED = CATALOGUE.clock.walk, CATALOGUE.clock.oil_again


def on_the_clock(*parts):
    sheet = lay_out(flow(OPEN, *parts, CLOSE), CATALOGUE)
    return [e for e in sheet.entries if e.role == "work"]


def test_one_goes_to_the_head_for_a_glide_and_back_to_the_side_to_knead():
    """Common practice: long glides of the back from the head or the side, kneading from the side."""
    worked = on_the_clock(part("back", "mid", "prone", "back", GLIDE, FROM_HEAD, GLIDE, KNEAD))
    strokes = [(e.stroke, e.place) for e in worked if e.kind == "stroke"]
    assert strokes == [
        ("effleurage", "right"),
        ("effleurage", "head"),
        ("effleurage", "head"),
        ("kneading", "right"),
    ]
    walks = [(e.address, e.about, e.seconds) for e in worked if e.kind == "walk" and e.working]
    assert walks == [("work-back-mid/1/walk", "head", WALK), ("work-back-mid/3/walk", "right", WALK)]


def test_a_part_that_begins_at_the_head_is_walked_to_once():
    worked = on_the_clock(part("back", "mid", "prone", "back", FROM_HEAD, GLIDE))
    assert [(e.kind, e.about) for e in worked if e.kind == "walk"] == [("walk", "head")]
    assert {e.place for e in worked if e.kind == "stroke"} == {"head"}


def test_the_next_part_begins_where_the_last_stroke_was_done():
    neck = part("neck", "mid", "prone", "back", GLIDE)
    left_at_head = on_the_clock(part("back", "mid", "prone", "back", GLIDE, FROM_HEAD), neck)
    left_at_side = on_the_clock(part("back", "mid", "prone", "back", GLIDE, GLIDE), neck)
    assert not [e for e in left_at_head if e.kind == "walk" and e.part_id == "work-neck-mid"]
    assert [e.about for e in left_at_side if e.kind == "walk" and e.part_id == "work-neck-mid"] == ["head"]


def test_one_walks_while_the_oil_goes_on():
    long = GLIDE.model_copy(update={"seconds": CATALOGUE.clock.oil_lasts})
    worked = on_the_clock(part("back", "mid", "prone", "back", long, FROM_HEAD))
    oil, walk = (
        next(e for e in worked if e.address == f"work-back-mid/1/{kind}") for kind in ("oil", "walk")
    )
    assert (oil.seconds, walk.seconds) == (RENEWED, max(0, WALK - RENEWED))
    assert walk.start == oil.start + oil.seconds


@pytest.mark.parametrize(("side", "place"), [("left", "left"), ("right", "right")])
def test_a_leg_is_pulled_from_the_foot_of_the_table_and_kneaded_again_from_its_own_side(side, place):
    own = KNEAD.model_copy(update={"stand": "own_side"})
    leg = part("lower_leg_back", side, "prone", "leg_back", GLIDE, step("traction", "mobilise"), own)
    places = [e.place for e in on_the_clock(leg) if e.kind == "stroke"]
    assert places == [place, "foot", place]
    assert part_seconds(leg, CATALOGUE) == sum(e.seconds for e in on_the_clock(leg) if e.working)


def test_kneading_from_the_head_is_found_and_one_tap_takes_it_back():
    back = part("back", "mid", "prone", "back", GLIDE, KNEAD.model_copy(update={"stand": "head"}))
    found = [f for f in evaluate(flow(OPEN, back, CLOSE), HERE).findings if f.code == "HND09"]
    assert [f.step for f in found] == [1]
    mended = apply(flow(OPEN, back, CLOSE), found[0].repairs[0].edits)
    assert mended.parts[1].steps[1].stand is None
    glides = apply(
        flow(OPEN, back, CLOSE),
        [ChangeStep(part_id=back.id, step=0, stand="head"), *found[0].repairs[0].edits],
    )
    assert "HND09" not in {f.code for f in evaluate(glides, HERE).findings}


def test_where_one_stands_is_typed():
    trial = Trial.of(plan(Brief(booked_minutes=60), HERE).flow, HERE)
    found = suggest_edits(trial, "back kneading from the head", None)[0]
    assert found.says.startswith("Kneading on the back from the head")
    assert [(e.step.stroke, e.step.stand) for e in found.edits] == [("kneading", "head")]
    assert all(e.step.stand is None for e in suggest_edits(trial, "foot hold 30 s", None)[0].edits)
