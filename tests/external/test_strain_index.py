"""Hand load against the published formulas.

Sources (from memory): Garg, Moore & Kapellusch 2017, Ergonomics 60:912 (Revised Strain Index, composite and
cumulative); Rohmert 1960 (static holds).
"""

from math import log

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.hands.load import find_hold_limit
from mellow_tide.core.hands.strain import (
    Task,
    composite_strain_index,
    cumulative_strain_index,
    duration_multiplier,
    frequency_multiplier,
    hours_multiplier,
    intensity_multiplier,
    longest_hold,
    posture_multiplier,
    revised_strain_index,
)


@pytest.mark.parametrize(
    ("multiplier", "joint", "tolerance"),
    [(intensity_multiplier, 0.4, 0.03), (frequency_multiplier, 90, 0.03), (duration_multiplier, 60, 0.03)],
)
def test_branches_meet(multiplier, joint, tolerance):
    assert multiplier(joint + 1e-9) == pytest.approx(multiplier(joint), rel=tolerance)


def test_values_worked_by_hand():
    assert intensity_multiplier(0.2) == pytest.approx(30 * 0.008 - 15.6 * 0.04 + 13 * 0.2 + 0.4)
    assert intensity_multiplier(0.5) == pytest.approx(36 * 0.125 - 33.3 * 0.25 + 24.77 * 0.5 - 1.86)
    assert frequency_multiplier(10) == pytest.approx(2.6)
    assert duration_multiplier(2) == pytest.approx(1.07)
    assert posture_multiplier(0) == pytest.approx(1.0)
    assert posture_multiplier(-30) == 1.0
    assert posture_multiplier(-50) == pytest.approx(1 + 0.00028 * 400)
    assert hours_multiplier(8) == pytest.approx(1.00, abs=0.005)
    assert hours_multiplier(0.05) == 0.20
    assert hours_multiplier(2) == pytest.approx(0.084 + 0.09 * log(2) + 0.477)


tasks = st.builds(
    Task,
    intensity=st.floats(0.02, 1),
    per_minute=st.floats(0.1, 60),
    seconds=st.floats(0.5, 60),
    flexion=st.floats(-60, 60),
    hours=st.floats(0.1, 8),
)


@given(tasks)
def test_one_stroke_alone_has_its_own_index(task):
    assert composite_strain_index([task], task.hours) == pytest.approx(revised_strain_index(task))


@given(st.floats(0.1, 50), st.floats(0.1, 8))
def test_one_session_alone_has_its_own_index(index, hours):
    assert cumulative_strain_index([(index, hours)]) == pytest.approx(index * hours_multiplier(hours))


@given(st.lists(tasks, min_size=1, max_size=6), tasks)
def test_more_work_never_strains_less(work, more):
    assert composite_strain_index([*work, more], 1) >= composite_strain_index(work, 1) - 1e-9


@given(st.lists(tasks, min_size=2, max_size=6))
def test_the_order_of_strokes_does_not_matter(work):
    assert composite_strain_index(work, 2) == pytest.approx(composite_strain_index(work[::-1], 2))


def test_a_static_hold():
    assert longest_hold(0.5) == pytest.approx(66)  # seconds at half of maximal force
    with pytest.raises(ValueError, match="fraction"):
        longest_hold(0.15)


def test_the_default_holds_stay_far_below_what_can_be_held(catalogue):
    point = catalogue.strokes["point_hold"]
    for tool in point.tools:
        limit = find_hold_limit(tool, point.depth[1], catalogue)
        assert limit is None or point.passing.seconds < limit / 2


@pytest.mark.parametrize("bad", [(1.1, 1, 1, 0, 1), (0.5, 0, 1, 0, 1), (0.5, 1, 1, 91, 1), (0.5, 1, 1, 0, 0)])
def test_a_task_names_its_bounds(bad):
    with pytest.raises(ValueError, match="task:"):
        Task(*bad)
