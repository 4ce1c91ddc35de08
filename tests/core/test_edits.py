import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.flow.edits import (
    ChangeStep,
    CopySteps,
    InsertStep,
    InsertStop,
    MoveStep,
    MoveStop,
    RemoveStep,
    RemoveStop,
    apply,
)
from mellow_tide.core.refusal import BadFlow
from tests.core.flows import ARM, BACK, CLOSE, FEET, OPEN, flow, step, stop

FLOW = flow(OPEN, BACK, *FEET, CLOSE)


def ids(changed):
    return [s.id for s in changed.stops]


def strokes(changed, stop_id):
    return [x.stroke for x in next(s for s in changed.stops if s.id == stop_id).steps]


def test_steps_are_changed_moved_added_and_removed():
    knead = step("kneading", "knead", depth=3, passes=2)
    changed = apply(
        FLOW,
        [
            InsertStep(stop_id=BACK.id, at=2, step=knead),
            MoveStep(stop_id=BACK.id, step=2, to=1),
            ChangeStep(stop_id=BACK.id, step=1, passes=5),
            RemoveStep(stop_id=BACK.id, step=0),
        ],
    )
    assert strokes(changed, BACK.id) == ["kneading", "effleurage"]
    first = changed.stops[1].steps[0]
    assert (first.passes, first.depth) == (5, 3)
    assert strokes(FLOW, BACK.id) == ["oil_spread", "effleurage"]


def test_stops_are_moved_added_removed_and_mirrored():
    changed = apply(
        FLOW,
        [
            MoveStop(stop_id=FEET[1].id, to=1),
            RemoveStop(stop_id=BACK.id),
            InsertStop(at=2, stop=ARM),
            CopySteps(stop_id=FEET[0].id, like=ARM.id),
        ],
    )
    assert ids(changed) == [OPEN.id, FEET[1].id, ARM.id, FEET[0].id, CLOSE.id]
    assert changed.stops[3].steps == ARM.steps


@given(st.integers(0, 4), st.integers(0, 4))
def test_moving_a_stop_there_and_back_changes_nothing(a, b):
    stop_id = FLOW.stops[a].id
    there = apply(FLOW, [MoveStop(stop_id=stop_id, to=b)])
    assert ids(there)[b] == stop_id
    assert apply(there, [MoveStop(stop_id=stop_id, to=a)]) == FLOW


@pytest.mark.parametrize(
    "edit",
    [
        RemoveStop(stop_id="nowhere"),
        RemoveStep(stop_id=BACK.id, step=2),
        InsertStep(stop_id=BACK.id, at=3, step=step()),
        CopySteps(stop_id=BACK.id, like="nowhere"),
    ],
)
def test_an_edit_that_finds_nothing_is_refused(edit):
    with pytest.raises(BadFlow, match="there is no"):
        apply(FLOW, [edit])


def test_the_last_step_of_a_stop_stays():
    lone = flow(OPEN, stop("back", "mid", "prone", "back", step()), CLOSE)
    with pytest.raises(ValueError, match="steps"):
        apply(lone, [RemoveStep(stop_id=BACK.id, step=0)])
