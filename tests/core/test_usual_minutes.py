"""What a session is not without has its usual minutes before anything else comes in."""

from random import Random

import pytest

from mellow_tide.core.catalogue.house.house import DEFAULTS
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.planner.choice.choice import no_deadline
from mellow_tide.core.planner.choice.chosen import choose
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.question import GRAIN, MORE_OF_FOCUS
from mellow_tide.core.timing.worked import region_seconds_in
from tests.core.flows import CLIENT
from tests.settings import CATALOGUE, setting
from tests.sizes import seeds

HERE = setting(CLIENT, CATALOGUE, DEFAULTS, None)
USUAL_PASSAGES = {
    ("hips", "thigh_back", "lower_leg_back"): (180, 360),
    ("arm", "hand"): (150, 270),
    ("foot",): (90, 210),
    ("back", "shoulders", "shoulders"): (600, 1200),
    ("neck",): (120, 300),
}
"""Least and usual most seconds of a passage, one side (common practice); the back with both shoulders."""


def asked_at(random):
    return Brief(
        school=random.choice(["back_outwards", "feet_upwards", "head_downwards"]),
        booked_minutes=random.choice([60, 65, 75, 90, 105, 120]),
        focus=tuple(random.sample(["back", "neck", "foot", "face", "thigh_front"], random.randint(0, 2))),
        leave_out=tuple(random.sample(["scalp", "chest", "hand", "lower_leg_back"], random.randint(0, 2))),
        pressure=random.choice(["light", "medium", "firm"]),
    )


@pytest.mark.parametrize("seed", seeds(24))
def test_nothing_comes_in_before_what_must_be_there_has_its_usual_minutes(seed):
    chosen = choose(Asked.of(asked_at(Random(seed)), HERE), no_deadline)
    usual, minutes = chosen.posed.usual, chosen.minutes
    assert usual
    others = minutes.keys() - usual.keys() - chosen.question.must
    if others:
        assert usual.keys() <= minutes.keys()
    short = [id for id in usual if minutes.get(id, 0) <= usual[id] - GRAIN]
    assert not (others and short)


def test_a_focus_has_more_than_its_usual_minutes_first():
    posed = choose(Asked.of(Brief(booked_minutes=75, focus=("foot",)), HERE), no_deadline).posed
    usual = CATALOGUE.regions["foot"].seconds.usual
    assert posed.usual["foot"] == int(usual * MORE_OF_FOCUS)
    assert posed.usual["neck"] == CATALOGUE.regions["neck"].seconds.usual


@pytest.mark.parametrize("seed", seeds(12))
def test_much_more_of_a_region_is_more_than_a_focus_on_it_unless_it_has_its_most(seed):
    brief = asked_at(Random(seed))
    if not brief.focus:
        brief = brief.model_copy(update={"focus": ("foot",)})
    region = brief.focus[0]
    more = choose(Asked.of(brief, HERE), no_deadline)
    much = choose(Asked.of(much_of(brief, region), HERE), no_deadline)
    most = much.question.shares[region].most - GRAIN
    assert much.minutes[region] >= min(1.25 * more.minutes[region], most)
    sheets = [HERE.lay_out(plan(one, HERE).flow).seconds for one in (brief, much_of(brief, region))]
    assert abs(sheets[0] - sheets[1]) <= 30


def much_of(brief, region):
    return brief.model_copy(update={"much_more": (region,)})


@pytest.mark.parametrize("school", ["back_outwards", "feet_upwards", "head_downwards"])
def test_an_hour_and_a_quarter_keep_each_passage_between_its_least_and_its_usual_most(school):
    for minutes in (60, 75):
        flow = plan(Brief(school=school, booked_minutes=minutes), HERE).flow
        taken = region_seconds_in(HERE.lay_out(flow), flow, CATALOGUE)
        for passage, (least, most) in USUAL_PASSAGES.items():
            # A school may weigh otherwise: feet first, more of them.
            more = 1.5 if school == "feet_upwards" and passage == ("foot",) else 1
            assert least - 15 <= sum(taken[id] for id in passage) <= more * most + 15


def test_more_minutes_never_take_from_what_must_be_there():
    before = None
    for minutes in range(60, 121, 5):
        chosen = choose(Asked.of(Brief(booked_minutes=minutes), HERE), no_deadline)
        now = {id: min(chosen.minutes[id], seconds) for id, seconds in chosen.posed.usual.items()}
        if before:
            assert all(now[id] >= seconds - GRAIN for id, seconds in before.items())
        before = now
