"""A part pulled longer or shorter by hand."""

import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st

from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.library.shipped import for_anybody, shipped_flows
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.reshape import Pull, reshape_part
from mellow_tide.core.refusal import BadFlow
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.timed import part_seconds
from tests.core.flows import CLIENT
from tests.settings import CATALOGUE, setting
from tests.sizes import often

PRESENT = plan(Brief(booked_minutes=75, focus=("back",)), setting(CLIENT, CATALOGUE))


def seconds_of(flow, id):
    return part_seconds(next(part for part in flow.parts if part.id == id), CATALOGUE)


@pytest.mark.parametrize("by", [-60, -30, 45, 90, 180])
@pytest.mark.parametrize("part_id", ["back", "neck", "foot-left"])
def test_the_rest_makes_room_and_both_sides_follow(part_id, by):
    wanted = max(120, seconds_of(PRESENT.flow, part_id) + by)
    made = reshape_part(PRESENT, Pull(part_id=part_id, seconds=wanted), setting(CLIENT, CATALOGUE))
    assert seconds_of(made.flow, part_id) == pytest.approx(wanted, abs=35)
    assert abs(lay_out(made.flow, CATALOGUE).over) <= 15
    findings = evaluate(made.flow, setting(CLIENT, CATALOGUE)).findings
    assert [f.code for f in findings if f.severity == "refuse"] == []
    assert made.by_hand == (part_id.split("-")[0],)
    if part_id == "foot-left":
        assert seconds_of(made.flow, "foot-right") == seconds_of(made.flow, "foot-left")


def test_one_side_alone_leaves_the_other_as_it_is():
    before = seconds_of(PRESENT.flow, "foot-right")
    made = reshape_part(
        PRESENT, Pull(part_id="foot-left", seconds=before + 60, alone=True), setting(CLIENT, CATALOGUE)
    )
    assert seconds_of(made.flow, "foot-right") == before
    assert seconds_of(made.flow, "foot-left") > before + 30
    assert "BAL02" in {f.code for f in evaluate(made.flow, setting(CLIENT, CATALOGUE)).findings}


SHIPPED = {shipped.id: shipped for shipped in shipped_flows()}


@settings(max_examples=often(30), deadline=None)
@example("long_ebb", 3, 15, False, False)
@example("nearly_there", 1, 30, True, False)
@given(
    st.sampled_from(sorted(SHIPPED)),
    st.integers(0, 40),
    st.sampled_from([15, 30, 45, 90, 600, 1800]),
    st.booleans(),
    st.booleans(),
)
def test_any_part_is_pulled_to_any_length_and_stays_safe(id, place, seconds, alone, passage):
    there = setting(for_anybody(CATALOGUE, SHIPPED[id].gestation_days), CATALOGUE)
    present = plan(SHIPPED[id].brief, there)
    worked = [part.id for part in present.flow.parts if part.role == "work"]
    part_id = worked[place % len(worked)]
    made = reshape_part(present, Pull(part_id=part_id, seconds=seconds, alone=alone, passage=passage), there)
    assert {part.id for part in made.flow.parts} >= {part_id}
    findings = evaluate(made.flow, there).findings
    assert [f.what for f in findings if f.severity == "refuse"] == []


@pytest.mark.parametrize("seconds", [600, 1800])
def test_a_part_pulled_beyond_what_it_can_have_stays_by_hand_and_has_its_most(seconds):
    shipped = SHIPPED["nearly_there"]
    there = setting(for_anybody(CATALOGUE, shipped.gestation_days), CATALOGUE)
    made = reshape_part(plan(shipped.brief, there), Pull(part_id="foot-left", seconds=seconds), there)
    assert made.by_hand == ("foot",)
    assert seconds_of(made.flow, "foot-left") == seconds_of(made.flow, "foot-right")
    assert seconds_of(made.flow, "foot-left") == pytest.approx(480, abs=10)
    assert abs(lay_out(made.flow, CATALOGUE).over) <= 15


@pytest.mark.parametrize("part_id", ["open", "knee"])
def test_what_is_no_work_is_not_reshaped(part_id):
    with pytest.raises(BadFlow, match="no part"):
        reshape_part(PRESENT, Pull(part_id=part_id, seconds=100), setting(CLIENT, CATALOGUE))


def test_a_stroke_in_an_unusual_place_or_with_seconds_of_its_own_can_be_pulled_too():
    neck = next(part for part in PRESENT.flow.parts if part.id == "neck")
    odd = neck.steps[1].model_copy(update={"slot": "rouse", "seconds": 40})
    part = neck.model_copy(update={"steps": (neck.steps[0], odd, *neck.steps[2:])})
    parts = tuple(part if s.id == "neck" else s for s in PRESENT.flow.parts)
    present = PRESENT.model_copy(update={"flow": PRESENT.flow.model_copy(update={"parts": parts})})
    made = reshape_part(present, Pull(part_id="neck", seconds=300), setting(CLIENT, CATALOGUE))
    assert seconds_of(made.flow, "neck") == pytest.approx(300, abs=25)
