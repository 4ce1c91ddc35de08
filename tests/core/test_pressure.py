"""The pressure that suits: what evidence does to an estimate, and where the next visit starts."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.learning.evidence import Answer, SetByHand
from mellow_tide.core.learning.pressure import CENTRES, PressureModel
from mellow_tide.core.learning.start import choose_start, find_borne

REGIONS = ("back", "foot", "neck", "face")
WORDS = ("lighter", "just_right", "deeper")
answers = st.builds(
    Answer,
    visit=st.integers(1, 12),
    region=st.sampled_from(REGIONS),
    depth=st.sampled_from([1.0, 2.0, 2.5, 3.0, 4.0, 5.0]),
    word=st.sampled_from(WORDS),
)


def said(word, depth=3.0, region="back", visit=1):
    return Answer(visit=visit, region=region, depth=depth, word=word)


def test_with_nothing_said_the_intake_s_word_and_the_region_s_habit_stand_and_are_not_sure():
    nothing = PressureModel([], CENTRES["firm"])
    assert nothing.at("back", 1).mean == 4.0
    assert nothing.at("foot", 1).mean == pytest.approx(4.3)
    assert nothing.at("back", 1).sureness == "not_known"
    # A region that is never spoken of is known less and less.
    assert nothing.at("back", 9).sd > nothing.at("back", 1).sd


@given(st.lists(answers, max_size=24))
def test_the_order_in_which_it_is_told_does_not_matter(evidence):
    forward, backward = PressureModel(evidence), PressureModel(evidence[::-1])
    for region in REGIONS:
        assert forward.at(region, 13).mean == pytest.approx(backward.at(region, 13).mean, abs=1e-4)
        assert forward.at(region, 13).sd == pytest.approx(backward.at(region, 13).sd, abs=1e-4)


@given(st.lists(answers, max_size=16), st.sampled_from(REGIONS), st.sampled_from([2.0, 3.0, 4.0]))
def test_deeper_never_lowers_and_lighter_never_raises_the_estimate(evidence, region, depth):
    before = PressureModel(evidence).at(region, 13).mean
    assert PressureModel([*evidence, said("deeper", depth, region, 12)]).at(region, 13).mean >= before - 1e-4
    assert PressureModel([*evidence, said("lighter", depth, region, 12)]).at(region, 13).mean <= before + 1e-4


@given(st.lists(answers, min_size=1, max_size=16))
def test_more_evidence_at_a_visit_never_makes_it_less_sure_about_the_same_thing(evidence):
    # Said twice at one depth, between what suits and what does not, an answer only narrows.
    region, visit = evidence[0].region, 13
    twice = [*evidence, said("just_right", 3.0, region, visit)]
    assert PressureModel(twice).at(region, visit).sd <= PressureModel(evidence).at(region, visit).sd + 1e-6


def test_what_is_said_of_one_region_tells_something_of_the_others():
    heavy = PressureModel([said("deeper", 4.0, "back"), said("deeper", 4.0, "neck")])
    assert heavy.at("foot", 2).mean > PressureModel([]).at("foot", 2).mean + 0.3
    assert heavy.at("foot", 2).answers == 0


def test_older_visits_weigh_less_and_are_not_dropped():
    early = [said("deeper", 4.0, visit=1), said("just_right", 2.0, visit=12)]
    late = [said("just_right", 2.0, visit=1), said("deeper", 4.0, visit=12)]
    assert PressureModel(late).at("back", 13).mean > PressureModel(early).at("back", 13).mean + 0.2
    assert PressureModel(early).at("back", 13).mean > PressureModel(early[1:]).at("back", 13).mean


def test_contradictory_answers_stay_in_the_middle_and_are_said_to_be_unsure():
    torn = PressureModel([said("deeper", 3.0), said("lighter", 3.0)]).at("back", 2)
    assert torn.mean == pytest.approx(3.0, abs=0.15)
    assert torn.sureness != "sure"


def test_a_wish_set_by_hand_moves_the_estimate_and_is_no_verdict():
    before = PressureModel([said("just_right", 3.0)]).at("back", 2)
    after = PressureModel([said("just_right", 3.0), SetByHand(visit=1, region="back", depth=4.5)]).at(
        "back", 2
    )
    assert before.mean + 0.5 < after.mean < 4.5


def test_the_start_is_rounded_toward_light_and_care_and_last_time_hold_it():
    estimate = PressureModel([said("just_right", 4.0, visit=v) for v in range(1, 9)]).at("back", 9)
    assert 3.5 < estimate.mean < 4.5
    free = choose_start("back", estimate, 5, 4.0)
    assert free.depth == (4.0 if estimate.mean >= 4 else 3.5)
    assert (choose_start("back", estimate, 2, 4.0).depth, choose_start("back", estimate, 2, 4.0).held_by) == (
        2,
        "care",
    )
    held = choose_start("back", estimate, 5, 1.5)
    assert (held.depth, held.held_by) == (2.5, "last_time")


def test_what_was_borne_is_the_deepest_that_was_not_too_much_at_the_last_visit():
    assert find_borne("back", []) is None
    visits = [said("deeper", 2.0, visit=1), said("lighter", 4.0, visit=2), said("just_right", 3.0, visit=2)]
    assert find_borne("back", visits) == 3.0
    assert find_borne("back", [said("lighter", 2.0)]) == 1.0


def test_far_out_answers_do_not_break_it():
    wild = [said("deeper", 5.0, visit=v) for v in range(1, 40)] + [said("lighter", 1.0, visit=40)]
    found = PressureModel(wild).at("back", 41)
    assert 1 < found.mean < 12
    assert 0 < found.sd < 2
