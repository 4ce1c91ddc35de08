"""Counts of passes against common practice (no published source)."""

import pytest
from pydantic import ValidationError

from mellow_tide.core.flow.brief import ClientFacts


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
