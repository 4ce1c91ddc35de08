"""A part pulled longer or shorter by hand."""

import pytest

from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.reshape import Pull, reshape_part
from mellow_tide.core.refusal import BadFlow
from mellow_tide.core.timing.run_sheet import lay_out, part_seconds
from tests.core.flows import CLIENT
from tests.settings import CATALOGUE, setting

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
