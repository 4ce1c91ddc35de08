import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.flow.edits import (
    ChangeStep,
    CopySteps,
    InsertPart,
    InsertStep,
    MovePart,
    MoveStep,
    RemovePart,
    RemoveStep,
    SplitPart,
    apply,
)
from mellow_tide.core.refusal import BadFlow
from tests.core.flows import ARM, BACK, CLOSE, FEET, OPEN, flow, part, step

FLOW = flow(OPEN, BACK, *FEET, CLOSE)


def ids(changed):
    return [s.id for s in changed.parts]


def strokes(changed, part_id):
    return [x.stroke for x in next(s for s in changed.parts if s.id == part_id).steps]


def test_steps_are_changed_moved_added_and_removed():
    knead = step("kneading", "knead", depth=3, passes=2)
    changed = apply(
        FLOW,
        [
            InsertStep(part_id=BACK.id, at=2, step=knead),
            MoveStep(part_id=BACK.id, step=2, to=1),
            ChangeStep(part_id=BACK.id, step=1, passes=5),
            RemoveStep(part_id=BACK.id, step=0),
        ],
    )
    assert strokes(changed, BACK.id) == ["kneading", "effleurage"]
    first = changed.parts[1].steps[0]
    assert (first.passes, first.depth) == (5, 3)
    assert strokes(FLOW, BACK.id) == ["oil_spread", "effleurage"]


def test_parts_are_moved_added_removed_and_mirrored():
    changed = apply(
        FLOW,
        [
            MovePart(part_id=FEET[1].id, to=1),
            RemovePart(part_id=BACK.id),
            InsertPart(at=2, part=ARM),
            CopySteps(part_id=FEET[0].id, like=ARM.id),
        ],
    )
    assert ids(changed) == [OPEN.id, FEET[1].id, ARM.id, FEET[0].id, CLOSE.id]
    assert changed.parts[3].steps == ARM.steps


@given(st.integers(0, 4), st.integers(0, 4))
def test_moving_a_part_there_and_back_changes_nothing(a, b):
    part_id = FLOW.parts[a].id
    there = apply(FLOW, [MovePart(part_id=part_id, to=b)])
    assert ids(there)[b] == part_id
    assert apply(there, [MovePart(part_id=part_id, to=a)]) == FLOW


@pytest.mark.parametrize(
    "edit",
    [
        RemovePart(part_id="nowhere"),
        RemoveStep(part_id=BACK.id, step=2),
        InsertStep(part_id=BACK.id, at=3, step=step()),
        CopySteps(part_id=BACK.id, like="nowhere"),
    ],
)
def test_an_edit_that_finds_nothing_is_refused(edit):
    with pytest.raises(BadFlow, match="there is no"):
        apply(FLOW, [edit])


def test_the_last_step_of_a_part_stays():
    lone = flow(OPEN, part("back", "mid", "prone", "back", step()), CLOSE)
    with pytest.raises(ValueError, match="steps"):
        apply(lone, [RemoveStep(part_id=BACK.id, step=0)])


FOOT = FEET[0].id


def test_a_mirrored_edit_changes_the_other_side_where_it_is_worked_alike():
    alike = flow(OPEN, *FEET, BACK, CLOSE)
    changed = apply(alike, [ChangeStep(part_id=FOOT, step=0, passes=7, mirrored=True)])
    assert [p.steps[0].passes for p in changed.parts if p.region == "foot"] == [7, 7]
    alone = apply(alike, [ChangeStep(part_id=FOOT, step=0, passes=7)])
    assert [p.steps[0].passes for p in alone.parts if p.region == "foot"] == [7, 2]
    # Once they differ, each is its own.
    apart = apply(alone, [RemoveStep(part_id=FOOT, step=1, mirrored=True)])
    assert [len(p.steps) for p in apart.parts if p.region == "foot"] == [1, 2]


def test_a_part_is_split_in_its_middle_unless_said_under_an_id_that_is_free():
    twice = apply(flow(OPEN, BACK, CLOSE), [SplitPart(part_id=BACK.id)])
    assert [p.id for p in twice.parts][1:3] == [BACK.id, f"{BACK.id}-2"]
    with pytest.raises(BadFlow, match="no step"):
        apply(twice, [SplitPart(part_id=BACK.id)])
