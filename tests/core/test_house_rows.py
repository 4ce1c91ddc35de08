"""What a house chooses where schools differ shows in its plans."""

import pytest

from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.flow.brief import Brief, ClientFacts, Excluded, Wish
from mellow_tide.core.planner.plan import plan
from tests.core.flows import CLIENT
from tests.settings import CATALOGUE, setting

LEGS = Brief(booked_minutes=90, focus=("foot", "lower_leg_back", "lower_leg_front"))


def flow_in(brief=LEGS, client=CLIENT, **rules):
    return plan(brief, setting(client, CATALOGUE, House(rules=rules))).flow


def parts_of(flow, *regions):
    return [s.id for s in flow.parts if s.role == "work" and s.region in regions]


def steps_of(flow, region):
    return next(s.steps for s in flow.parts if s.region == region and s.role == "work")


def test_each_foot_may_follow_its_leg():
    both = parts_of(flow_in(legs_and_feet="leg_foot_leg_foot"), "lower_leg_back", "foot")
    assert both in (
        ["lower_leg_back-right", "foot-right", "lower_leg_back-left", "foot-left"],
        ["lower_leg_back-left", "foot-left", "lower_leg_back-right", "foot-right"],
    )


def test_feet_may_come_last_of_all_but_not_in_a_school_that_begins_with_them():
    regions = [s.region for s in flow_in(legs_and_feet="feet_last").parts if s.role == "work"]
    assert regions[-2:] == ["foot", "foot"]
    upwards = LEGS.model_copy(update={"school": "feet_upwards"})
    regions = [s.region for s in flow_in(upwards, legs_and_feet="feet_last").parts if s.role == "work"]
    assert regions[:2] == ["foot", "foot"]


def test_feet_may_be_worked_face_down_only():
    down = in_house(House(rules={"legs_and_feet": "feet_prone"}), load_catalogue())
    for school in ("back_outwards", "feet_upwards", "head_downwards"):
        has = [b.position for b in down.schools[school].blocks if "foot" in b.regions()]
        assert has == ["prone"]


def test_calf_and_shin_may_both_be_worked_face_up():
    flow = flow_in(calf_and_shin="both_supine")
    assert {s.position for s in flow.parts if s.region in ("lower_leg_back", "lower_leg_front")} == {"supine"}
    assert {s.position for s in flow_in().parts if s.region == "lower_leg_back"} == {"prone"}


def test_dry_work_may_be_none_or_almost_dry():
    back = Brief(booked_minutes=60, focus=("back",))

    def dry(**rules):
        return [x.stroke for x in steps_of(flow_in(back, **rules), "back") if x.slot == "dry"]

    assert dry()
    assert dry(dry_work="none") == []
    assert "broad_glide" in dry(dry_work="almost_dry")
    assert not {"skin_rolling", "fascial_spread"} & set(dry(dry_work="almost_dry"))


def test_the_last_stroke_may_be_a_feather():
    assert steps_of(flow_in(light_end="feathering"), "lower_leg_back")[-1].stroke == "nerve_stroke"
    assert steps_of(flow_in(), "lower_leg_back")[-1].stroke == "effleurage"


@pytest.mark.parametrize("position", ["side_lying", "full_body"])
def test_one_side_is_worked_where_the_other_is_left_alone(position):
    school = {"side_lying": "side_by_side", "full_body": "back_outwards"}[position]
    brief = Brief(kind=position, school=school, booked_minutes=75, focus=("shoulders",))
    burnt = ClientFacts(
        consents=CLIENT.consents, excluded=(Excluded(region="shoulders", side="left", because="sunburn"),)
    )
    flow = flow_in(brief, burnt)
    assert parts_of(flow, "shoulders") == ["shoulders-right"]
    assert next(s for s in flow.parts if s.id == "shoulders-right").reason
    assert len(parts_of(flow, "hips")) in (0, 2)


def depths(flow, region):
    return max(x.depth for x in steps_of(flow, region))


def test_a_wish_for_a_region_goes_before_the_brief_s():
    wishing = CLIENT.model_copy(
        update={"wishes": (Wish(region="lower_leg_back", depth=2), Wish(region="foot", depth=4.5))}
    )
    flow = flow_in(client=wishing)
    assert depths(flow, "lower_leg_back") == 2
    assert depths(flow, "foot") == 4
    assert depths(flow_in(), "lower_leg_back") == 3


def test_what_is_liked_comes_in_and_what_is_disliked_stays_out():
    back = Brief(booked_minutes=60, focus=("back",))
    usual = {x.stroke for x in steps_of(flow_in(back), "back")}
    disliking = CLIENT.model_copy(update={"dislikes": frozenset({"kneading", "oil_spread"})})
    strokes = [x.stroke for x in steps_of(flow_in(back, disliking), "back")]
    assert "kneading" in usual
    assert "kneading" not in strokes
    # Nothing stands in for spreading the oil.
    assert "oil_spread" in strokes
    liking = CLIENT.model_copy(
        update={"likes": frozenset({"forearm"}), "dislikes": frozenset({"thumb", "reinforced_thumb"})}
    )
    tools = {x.tool for s in flow_in(back, liking).parts for x in s.steps}
    assert "forearm" in tools
    assert not tools & {"thumb", "reinforced_thumb"}


def test_neighbours_hardly_ever_begin_their_deepest_work_alike():
    alike = 0
    for minutes in (75, 90, 105, 120):
        for pressure in ("medium", "firm"):
            focus = ("thigh_back", "lower_leg_back")
            flow = flow_in(Brief(booked_minutes=minutes, focus=focus, pressure=pressure))
            thigh, calf = (
                next((x.stroke for x in steps_of(flow, region) if x.slot == "specific"), None)
                for region in focus
            )
            alike += thigh is not None and thigh == calf
    assert alike <= 1
