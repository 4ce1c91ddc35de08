"""Counts of passes against common practice (no published source)."""

import pytest
from pydantic import ValidationError

from mellow_tide.core.checks.rules.percussion_time import TURNS_AT
from mellow_tide.core.flow.brief import Brief, ClientFacts


def test_counts_are_the_usual_ones(catalogue):
    strokes = catalogue.strokes
    assert strokes["resting_hold"].slots["open"] == (3, 4, 4)  # settling hold of 3-4 breaths
    assert 5 <= strokes["effleurage"].slots["warm"][1] <= 6  # warming glides 5-6
    low, usual, high = strokes["effleurage"].slots["flush"]
    assert (low, high) == (1, 3)  # closing glides 1-3
    assert low <= usual <= high
    assert strokes["picking_up"].slots["knead"] == (2, 2, 3)  # lifts 2-3 rounds


def test_a_breath_at_rest():
    # Adults at rest breathe 12 to 20 times a minute (physiology textbooks); 4 to 40 are accepted.
    assert 12 <= ClientFacts().breaths_per_minute <= 20
    for out_of_range in (3, 41):
        with pytest.raises(ValidationError):
            ClientFacts(breaths_per_minute=out_of_range)


def test_holds_and_stretches_last_as_is_usual(catalogue):
    strokes = catalogue.strokes
    assert strokes["held_stretch"].passing.seconds == 7
    assert 7 <= strokes["point_hold"].passing.seconds <= 10
    assert strokes["point_hold"].slots["specific"][2] == 3  # at most three returns
    assert 30 <= strokes["sole_point_hold"].passing.seconds <= 60
    assert strokes["hot_towel_press"].passing.seconds <= 120  # it cools within a minute or two


def test_the_number_at_which_one_eases_off(catalogue):
    # 11-point numeric rating scale: whole numbers from 0 to 10 (Jensen & Karoly, from memory); at most 7 in practice.
    for choice in catalogue.house_rules["strength"].choices:
        assert all(0 <= number <= 7 for number in choice.ceilings.values())
    for out_of_range in (-1, 11, 4.5):
        with pytest.raises(ValidationError):
            Brief(booked_minutes=60, ceiling=out_of_range)


def test_percussion_rouses_up_to_half_a_minute(catalogue):
    percussion = [s for s in catalogue.strokes.values() if s.family == "percussion"]
    assert TURNS_AT == 30
    assert all(s.passing.seconds * s.slots["rouse"][2] <= TURNS_AT for s in percussion)


def test_both_legs_row_by_row_fill_half_an_hour(catalogue):
    # The backs of both legs at their most sensible time.
    legs = ("thigh_back", "lower_leg_back")
    assert 2 * sum(catalogue.regions[id].seconds.most for id in legs) == 30 * 60
