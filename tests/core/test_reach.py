import pytest
from pydantic import ValidationError

from mellow_tide.core.flow.brief import Brief, check_brief
from mellow_tide.core.flow.reach import check_flow
from mellow_tide.core.refusal import BadBrief, BadFlow, UnknownReference
from tests.core.flows import BACK, CLOSE, FEET, OPEN, flow, part, step


def fault(catalogue, *parts, error=BadFlow):
    with pytest.raises(error) as refused:
        check_flow(flow(OPEN, *parts, CLOSE), catalogue)
    (problem,) = refused.value.problems
    return problem


def test_a_flow_that_hands_can_follow_passes(catalogue):
    check_flow(flow(OPEN, BACK, *FEET, CLOSE), catalogue)


def test_unknown_ids_are_named_with_their_place(catalogue):
    problem = fault(catalogue, part("back", "mid", "prone", "back", step("knedding")), error=UnknownReference)
    assert problem.field == "parts.1.steps.0.stroke"
    assert "“knedding”" in problem.what
    assert "kneading" in problem.remedy


@pytest.mark.parametrize(
    ("bad", "field", "remedy"),
    [
        (part("foot", "mid", "prone", "foot"), "parts.1.side", "use: left or right"),
        (part("abdomen", "left", "supine", "abdomen"), "parts.1.side", "use: mid"),
        (part("back", "mid", "prone", "back", step(depth=5)), "parts.1.steps.0.depth", "use 1 to 4"),
        (
            part("back", "mid", "prone", "back", step(tool="elbow")),
            "parts.1.steps.0.tool",
            "use: palms, fingertips, heel_of_hand, ulnar_border, thumb",
        ),
    ],
)
def test_what_no_hands_could_do_is_refused(catalogue, bad, field, remedy):
    problem = fault(catalogue, bad)
    assert (problem.field, problem.remedy) == (field, remedy)


def test_what_its_position_does_not_reach_is_found_not_refused(catalogue):
    check_flow(flow(OPEN, part("abdomen", "mid", "prone", "abdomen"), CLOSE), catalogue)


def test_an_area_belongs_to_its_kind(catalogue):
    brief = Brief(kind="focus", school="part_in_depth", area="legs", booked_minutes=45)
    check_brief(brief, catalogue)
    with pytest.raises(BadBrief) as refused:
        check_brief(brief.model_copy(update={"area": "wings"}), catalogue)
    assert "back_and_neck" in refused.value.problems[0].remedy


def test_a_zone_of_another_region_and_an_id_twice(catalogue):
    assert (
        fault(catalogue, part("back", "mid", "prone", "back", step(zone="toes"))).field
        == "parts.1.steps.0.zone"
    )
    assert fault(catalogue, BACK, BACK).field == "parts.2.id"


@pytest.mark.parametrize("minutes", [-5, 0, 9, 121, 5000])
def test_absurd_minutes_are_no_brief(minutes):
    with pytest.raises(ValidationError, match="booked_minutes"):
        Brief(booked_minutes=minutes)


def test_a_region_cannot_be_wanted_twice_nor_wanted_and_left_out(catalogue):
    with pytest.raises(ValidationError, match="at most once"):
        Brief(booked_minutes=60, focus=("back", "back"))
    with pytest.raises(BadBrief, match="both a focus and left out"):
        check_brief(Brief(booked_minutes=60, focus=("back",), leave_out=("back",)), catalogue)


def test_all_unknown_names_of_a_brief_come_at_once(catalogue):
    with pytest.raises(UnknownReference) as refused:
        check_brief(
            Brief(booked_minutes=60, focus=("bak",), leave_out=("nose",), close_with="roof"), catalogue
        )
    assert [p.field for p in refused.value.problems] == ["close_with", "focus", "leave_out"]


def test_a_long_stroke_runs_over_known_regions_once_each(catalogue):
    unknown = step().model_copy(update={"over": ("sholders",)})
    problem = fault(catalogue, part("back", "mid", "prone", "back", unknown), error=UnknownReference)
    assert problem.field == "parts.1.steps.0.over"
    assert "shoulders" in problem.remedy
    twice = step().model_copy(update={"over": ("back",)})
    assert fault(catalogue, part("back", "mid", "prone", "back", twice)).field == "parts.1.steps.0.over"
