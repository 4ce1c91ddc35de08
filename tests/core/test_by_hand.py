"""What a therapist writes down by hand: more than a plan uses by itself. All acts: common practice."""

import pytest

from mellow_tide.core.checks.check import make_case
from mellow_tide.core.checks.engine import run_checks
from mellow_tide.core.checks.registry import CHECKS
from mellow_tide.core.designing.picker import misfit
from mellow_tide.core.designing.quick_add import suggest_edits
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.flow.edits import ChangeStep, apply
from mellow_tide.core.flow.reach import check_flow
from mellow_tide.core.library.shipped import for_anybody
from mellow_tide.core.planner.plan import plan
from tests.core.flows import CLOSE, OPEN, flow, part, step
from tests.settings import CATALOGUE, setting

ANYBODY = for_anybody(CATALOGUE)
ACTS = ("search", "recheck", "support", "reposition", "steady")

BY_HAND = [
    # stroke, region, position, medium, tool, depth, zone
    ("circular_friction", "lower_leg_back", "prone", "lubricated", "palms", 2, None),
    ("circular_friction", "thigh_back", "prone", "lubricated", "palms", 3, None),
    ("circular_friction", "hand", "supine", "lubricated", "thumb", 2, "palm"),
    ("circular_friction", "foot", "prone", "lubricated", "thumb", 3, "sole"),
    ("circular_friction", "face", "supine", "clothed", "fingertips", 2, "jaw"),
    ("stripping", "shoulders", "prone", "lubricated", "knuckles", 3, "upper_trapezius"),
    ("stripping", "neck", "supine", "lubricated", "reinforced_thumb", 2, "posterior_neck"),
    ("stripping", "foot", "prone", "lubricated", "reinforced_thumb", 3, "sole"),
    ("stripping", "hip_front", "supine", "lubricated", "reinforced_thumb", 2, "hip_flexor"),
    ("stripping", "back", "seated_leaning", "clothed", "forearm", 3, "erectors"),
    ("cross_fibre_friction", "abdomen", "supine", "lubricated", "fingertips", 1, "outer_band"),
    ("cross_fibre_friction", "foot", "prone", "lubricated", "thumb", 3, "arch"),
    ("cross_fibre_friction", "shoulders", "prone", "lubricated", "fingertips", 2, "levator"),
    ("broad_glide", "side_body", "side_left", "lubricated", "forearm", 3, None),
    ("broad_glide", "back", "prone", "clothed", "forearm", 3, None),
    ("broad_glide", "scalp", "supine", "dry", "palms", 3, None),
    ("engage_release", "hips", "prone", "lubricated", "forearm", 3, "gluteal"),
    ("engage_release", "back", "prone", "lubricated", "palms", 3, "lower_back"),
    ("held_stretch", "side_body", "side_left", "clothed", "palms", 2, "intercostals"),
    ("held_stretch", "hips", "supine", "clothed", "palms", 2, None),
    ("held_stretch", "thigh_front", "supine", "clothed", "palms", 2, None),
    ("range_of_motion", "hips", "supine", "clothed", "palms", 2, None),
    ("shaking", "shoulders", "prone", "lubricated", "palms", 2, None),
    ("picking_up", "back", "prone", "lubricated", "palms", 3, "latissimus"),
    ("open_c_kneading", "side_body", "side_left", "lubricated", "palms", 2, None),
    ("squeezing", "thigh_front", "supine", "dry", "palms", 3, None),
    ("point_hold", "chest", "supine", "lubricated", "fingertips", 1, "pectoral"),
    ("point_hold", "hip_front", "supine", "lubricated", "palms", 1, "iliac_bowl"),
    ("forearm_glide", "shoulders", "prone", "lubricated", "forearm", 3, None),
    ("forearm_glide", "thigh_back", "prone", "clothed", "forearm", 3, None),
    ("pin_and_lift", "lower_leg_back", "prone", "lubricated", "forearm", 3, None),
    ("rocking", "arm", "supine", "lubricated", "palms", 1, None),
    ("traction", "back", "seated_leaning", "clothed", "thumb", 2, "sacrum"),
    ("traction", "lower_leg_front", "supine", "clothed", "palms", 2, None),
    ("tapping", "face", "supine", "dry", "fingertips", 1, "forehead"),
    ("wringing", "abdomen", "supine", "lubricated", "palms", 1, None),
    ("fascial_spread", "lower_leg_back", "prone", "dry", "thenar", 2, None),
    ("effleurage", "scalp", "supine", "lubricated", "fingertips", 1, None),
    ("effleurage", "face", "supine", "lubricated", "fingertips", 1, None),
    ("effleurage", "back", "prone", "lubricated", "heel_of_hand", 4, None),
    ("kneading", "hips", "prone", "lubricated", "fist", 3, None),
    ("kneading", "shoulders", "prone", "lubricated", "forearm", 3, None),
    ("kneading", "neck", "supine", "lubricated", "thumb", 2, "posterior_neck"),
    ("oil_spread", "back", "prone", "lubricated", "forearm", 2, None),
    ("forearm_glide", "back", "prone", "lubricated", "elbow", 3, None),
    ("hacking", "back", "prone", "lubricated", "ulnar_border", 4, "upper_back"),
    ("knuckling", "shoulders", "prone", "lubricated", "knuckles", 2, None),
    ("palm_spread", "hand", "supine", "lubricated", "thumb", 2, "palm"),
    ("jaw_release", "face", "prone", "dry", "fingertips", 1, "jaw"),
    ("face_sweep", "face", "seated_upright", "clothed", "fingertips", 1, "forehead"),
    ("point_hold", "chest", "seated_leaning", "clothed", "fingertips", 1, "clavicle_line"),
    *((act, "thigh_back", "prone", "lubricated", "palms", 1, None) for act in ACTS),
]


def written(stroke, region, position, medium, tool, depth, zone):
    """The act as a part of its own, held by one hand where the head is moved."""
    known = CATALOGUE.strokes[stroke]
    one = step(stroke, next(iter(known.slots)), tool, depth, 1, zone)
    one = one.model_copy(update={"support": region in known.lifts_head})
    side = "mid" if CATALOGUE.regions[region].sides == "mid" else "right"
    window = CATALOGUE.regions[region].window_in(position)
    return part(region, side, position, window, one, medium=medium)


@pytest.mark.parametrize("act", BY_HAND, ids=lambda act: f"{act[0]} on {act[1]}")
def test_an_act_is_written_down_and_nothing_says_that_hands_cannot(act):
    made = written(*act)
    whole = flow(OPEN, made, CLOSE)
    check_flow(whole, CATALOGUE)
    assert misfit(Trial.of(whole, setting(ANYBODY, CATALOGUE)), made, CATALOGUE.strokes[act[0]]) == ""
    found = run_checks(make_case(whole, setting(ANYBODY, CATALOGUE)), CHECKS)
    impossible = {"ORD11", "CAU01", "CAU02", "CAU08", "DRP02"}
    assert [f.what for f in found if f.part_id == made.id and f.code in impossible] == []


def test_what_a_plan_uses_is_a_part_of_what_hands_may_do():
    for id, usual in CATALOGUE.planned_strokes.items():
        known = CATALOGUE.strokes[id]
        assert set(usual.regions) <= set(known.regions), id
        assert set(usual.tools) <= set(known.tools), id
        assert known.depth[0] <= usual.depth[0] <= usual.depth[1] <= known.depth[1], id
        assert usual.slots.items() <= known.slots.items(), id


def test_a_plan_has_no_act_and_nothing_that_comes_by_hand():
    made = plan(Brief(booked_minutes=90), setting(ANYBODY, CATALOGUE)).flow
    for one in made.parts:
        for at in one.steps:
            usual = CATALOGUE.planned_strokes[at.stroke]
            assert one.region in usual.regions
            assert at.tool in usual.tools
            assert usual.depth[0] <= at.depth <= usual.depth[1]


@pytest.mark.parametrize(
    ("act", "found"),
    [
        (("face_sweep", "face", "prone", "dry", "fingertips", 1, "forehead"), "ORD11"),
        (("kneading", "hips", "supine", "lubricated", "palms", 2, "gluteal"), "ORD11"),
        (("tapping", "face", "supine", "dry", "fingertips", 1, "temple"), "CAU02"),
        (("range_of_motion", "neck", "prone", "lubricated", "palms", 2, None), "CAU08"),
    ],
)
def test_what_is_out_of_reach_or_bears_none_is_found(act, found):
    made = written(*act)
    findings = run_checks(make_case(flow(OPEN, made, CLOSE), setting(ANYBODY, CATALOGUE)), CHECKS)
    assert found in {f.code for f in findings if f.part_id == made.id}


def test_a_neck_that_is_moved_is_held():
    made = written("range_of_motion", "neck", "supine", "lubricated", "palms", 2, None)
    loose = made.model_copy(update={"steps": (made.steps[0].model_copy(update={"support": False}),)})
    found = run_checks(make_case(flow(OPEN, loose, CLOSE), setting(ANYBODY, CATALOGUE)), CHECKS)
    assert "CAU08" in {f.code for f in found}


@pytest.mark.parametrize("condition", ["anticoagulants", "varicose_veins"])
def test_searching_passes_through_what_a_condition_forbids(condition):
    """No back doors: searching is work (common practice)."""
    client = ANYBODY.model_copy(update={"conditions": frozenset({condition})})
    whole = flow(
        OPEN, written("search", "lower_leg_back", "prone", "lubricated", "fingertips", 2, None), CLOSE
    )
    found = run_checks(make_case(whole, setting(client, CATALOGUE)), CHECKS)
    assert any(f.severity == "refuse" and f.part_id == whole.parts[1].id for f in found)


@pytest.mark.parametrize("act", ACTS)
def test_an_act_is_typed(act):
    trial = Trial.of(
        plan(Brief(booked_minutes=75), setting(ANYBODY, CATALOGUE)).flow, setting(ANYBODY, CATALOGUE)
    )
    found = suggest_edits(trial, f"calf {act}", None)[0]
    assert {edit.step.stroke for edit in found.edits} == {act}
    assert {edit.step.tool for edit in found.edits} == {CATALOGUE.strokes[act].tools[0]}
    assert all(edit.step.depth <= 2 for edit in found.edits)
    assert not any(edit.step.check_in for edit in found.edits)


def test_a_recheck_is_no_further_hold():
    hold = step("point_hold", "specific", "fingertips", 3, 3, "medial_scapula")
    again = step("recheck", "specific", "fingertips", 2, 1, "medial_scapula")
    back = part("back", "mid", "prone", "back", hold, again)
    found = run_checks(make_case(flow(OPEN, back, CLOSE), setting(ANYBODY, CATALOGUE)), CHECKS)
    assert "PRS02" not in {f.code for f in found}


def test_any_stroke_may_follow_the_breath():
    back = part("back", "mid", "prone", "back", step("kneading", "knead"))
    made = apply(flow(OPEN, back, CLOSE), [ChangeStep(part_id=back.id, step=0, with_breath=True)])
    assert made.parts[1].steps[0].with_breath
