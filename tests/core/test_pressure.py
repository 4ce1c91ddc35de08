"""The pressure that suits: what evidence does to an estimate, and where the next visit starts."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.learning.evidence import Answer, SetByHand
from mellow_tide.core.learning.pressure import CENTRES, Estimate, PressureModel
from mellow_tide.core.learning.start import choose_start, find_borne, still_stands

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


def estimate(mean: float, sd: float = 0.3) -> Estimate:
    return Estimate(mean, sd, 2)


@pytest.mark.parametrize(
    ("mean", "answers", "by_hand", "depth", "basis"),
    [
        # Just right last time stands while the mean is within 0.75 of it.
        (2.4, [said("just_right", 3.0)], None, 3.0, "last_time"),
        (3.75, [said("just_right", 3.0)], None, 3.0, "last_time"),
        (2.2, [said("just_right", 3.0)], None, 2.0, "learnt"),
        # At an earlier visit it does not.
        (2.4, [said("just_right", 3.0, visit=1), said("deeper", 2.0, visit=2)], None, 2.0, "learnt"),
        # The nearest whole level, an exact half to the lighter.
        (2.5, [said("deeper", 2.0)], None, 2.0, "learnt"),
        (2.51, [said("deeper", 2.0)], None, 3.0, "learnt"),
        (0.2, [said("lighter", 3.0)], None, 1.0, "learnt"),
        # What was set by hand stands before both.
        (3.0, [said("just_right", 3.0)], 2.0, 2.0, "by_hand"),
        # What another region said is of no matter.
        (4.0, [said("just_right", 2.0, region="neck")], None, 4.0, "learnt"),
    ],
)
def test_a_visit_starts_by_hand_as_last_time_or_at_the_nearest_whole_level(
    mean, answers, by_hand, depth, basis
):
    start = choose_start("back", estimate(mean), answers, 5, by_hand)
    assert (start.depth, start.basis, start.held_by) == (depth, basis, "")


def test_care_and_last_time_hold_the_start():
    free = [said("just_right", 4.0)]
    assert choose_start("back", estimate(4.0), free, 2).held_by == "care"
    held = choose_start("back", estimate(4.4), [said("deeper", 2.0)], 5)
    assert (held.depth, held.held_by) == (3.0, "last_time")


@pytest.mark.parametrize(
    ("word", "depth", "stands"),
    [
        ("lighter", 3.0, False),
        ("lighter", 2.0, False),
        ("lighter", 4.0, True),
        ("deeper", 3.0, False),
        ("deeper", 4.0, False),
        ("deeper", 2.0, True),
        ("just_right", 4.0, True),
    ],
)
def test_what_was_set_by_hand_stands_until_an_answer_contradicts_it(word, depth, stands):
    assert still_stands(3.0, [said(word, depth)]) is stands


def test_it_is_asked_early_only_where_little_is_known_and_it_was_not_just_right():
    wide, narrow = estimate(3.0, 0.6), estimate(3.0, 0.3)
    assert choose_start("back", wide, [said("deeper", 3.0)], 5).ask_early
    assert not choose_start("back", wide, [said("just_right", 3.0)], 5).ask_early
    assert not choose_start("back", narrow, [said("deeper", 3.0)], 5).ask_early


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
