"""Why a part has its strokes: everything named is tried."""

import pytest

from mellow_tide.core.flow.brief import Brief, Place, Wish
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.stroke_reasons import explain_strokes
from mellow_tide.core.refusal import BadFlow
from tests.core.flows import CLIENT
from tests.settings import CATALOGUE, setting

HERE = setting(CLIENT, CATALOGUE)
POINT = Place(region="shoulders", side="right", zone="levator")
FLOW = plan(Brief(booked_minutes=75, points=(POINT,)), HERE).flow


def reasons(part, flow=FLOW, here=HERE):
    return explain_strokes(flow, part, here)


def strokes_of(part):
    return {step.stroke for one in FLOW.parts if one.id == part for step in one.steps}


@pytest.mark.parametrize("part", [part.id for part in FLOW.parts if part.role == "work"])
def test_every_stroke_that_is_there_has_a_reason_and_no_other_is_said_to_be_there(part):
    found = reasons(part)
    assert {reason.stroke for reason in found.there} == strokes_of(part)
    assert not strokes_of(part) & {reason.stroke for reason in found.others}
    for reason in found.others:
        # What is forced in takes its time from what is there, and from nothing else.
        assert {give.stroke for give in reason.instead} <= strokes_of(part)
        assert all(step.seconds == 0 for step in [reason])


def test_more_of_a_stroke_takes_from_the_others_and_one_left_out_makes_room_for_what_is_not_there():
    kneading = next(reason for reason in reasons("back").there if reason.purpose == "knead")
    assert sum(give.seconds for give in kneading.minute) < -20
    assert kneading.instead
    assert all(give.stroke not in strokes_of("back") for give in kneading.instead if give.seconds > 0)
    assert sum(give.seconds for give in kneading.instead) == pytest.approx(kneading.seconds, abs=12)


def test_long_strokes_and_points_say_what_they_are_for():
    purposes = {reason.stroke: reason.purpose for reason in reasons("shoulders-right").there}
    assert purposes["point_hold"] == "point"
    assert {reason.purpose for reason in reasons("back").there} >= {"opens", "knead", "specific"}


def test_what_is_liked_is_said():
    liking = setting(CLIENT.model_copy(update={"likes": frozenset({"wringing"})}), CATALOGUE)
    flow = plan(Brief(booked_minutes=75), liking).flow
    liked = {reason.stroke for reason in reasons("back", flow, liking).there if reason.liked}
    assert liked == {"wringing"}


def light_regions(flow, here=HERE):
    return {p.region for p in flow.parts if p.role == "work" and reasons(p.id, flow, here).light_at_end}


def test_a_region_that_ends_the_session_says_why_nothing_there_is_firm():
    flow = plan(Brief(booked_minutes=90, school="head_downwards"), HERE).flow
    assert light_regions(flow) == {"foot"}
    # Face and scalp end it too, and have nothing firm anywhere.
    assert not light_regions(FLOW)
    wished = setting(CLIENT.model_copy(update={"wishes": (Wish(region="foot", depth=4),)}), CATALOGUE)
    firm = plan(Brief(booked_minutes=90, school="head_downwards"), wished).flow
    assert not light_regions(firm, wished)


def test_what_is_no_work_has_no_strokes_to_explain():
    with pytest.raises(BadFlow):
        reasons("open")
