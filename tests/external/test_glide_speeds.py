"""Speeds of glides against the pleasant band.

Source: Löken, Wessberg, Morrison, McGlone & Olausson 2009, Nature Neuroscience 12:547 (from memory): stroking is most
pleasant, and C-tactile fibres fire most, between 1 and 10 cm/s.
"""

from itertools import product

from mellow_tide.core.timing.step_seconds import Ground, pass_seconds
from mellow_tide.core.timing.tempo import Tempo


def test_every_default_speed_lies_in_the_band(catalogue):
    assert set(catalogue.clock.glide_cm_per_second) == {1, 2, 3, 4, 5}
    assert all(1 <= speed <= 10 for speed in catalogue.clock.glide_cm_per_second.values())


def test_every_glide_that_can_be_planned_lies_in_the_band(catalogue):
    glides = [s for s in catalogue.strokes.values() if s.passing.kind == "glide"]
    assert glides
    for stroke, region_id in ((s, r) for s in glides for r in s.regions):
        region = catalogue.regions[region_id]
        for depth, height in product(range(stroke.depth[0], stroke.depth[1] + 1), (150, 170, 200)):
            there_and_back = 2 * region.glide_cm * height / 170
            speed = there_and_back / pass_seconds(
                stroke, Ground(region, None, depth), catalogue, Tempo(height)
            )
            assert 1 <= speed <= 10.0000001


def test_deeper_is_never_faster_from_medium_on(catalogue):
    # Common practice: the deeper, the slower.
    speeds = [catalogue.clock.glide_cm_per_second[depth] for depth in (2, 3, 4, 5)]
    assert speeds == sorted(speeds, reverse=True)
