"""The first Strain Index against its published multipliers.

Source: Moore & Garg 1995, American Industrial Hygiene Association Journal 56:443 (from memory).
"""

import pytest

from mellow_tide.core.hands.strain_1995 import (
    DURATION,
    EFFORTS,
    EXTENSION,
    FLEXION,
    HOURS,
    INTENSITY,
    PROBABLY_HAZARDOUS,
    PROBABLY_SAFE,
    Job,
    step_of,
    strain_index_1995,
)


@pytest.mark.parametrize(
    ("steps", "values", "multipliers"),
    [
        # light, somewhat hard, hard, very hard, near maximal (Borg CR10 over 10)
        (INTENSITY, (0.1, 0.3, 0.5, 0.7, 0.9), (1, 3, 6, 9, 13)),
        # <10 %, 10-29, 30-49, 50-79, >=80
        (DURATION, (0.05, 0.10, 0.30, 0.50, 0.80), (0.5, 1, 1.5, 2, 3)),
        # <4 a minute, 4-8, 9-14, 15-19, >=20
        (EFFORTS, (3.9, 4, 9, 15, 20), (0.5, 1, 1.5, 2, 3)),
        # very good and good, fair, bad, very bad
        (FLEXION, (0, 15, 16, 31, 51), (1, 1, 1.5, 2, 3)),
        (EXTENSION, (0, 25, 26, 41, 56), (1, 1, 1.5, 2, 3)),
        # <=1 h, 1-2, 2-4, 4-8, >=8
        (HOURS, (0.5, 1.5, 3, 6, 8), (0.25, 0.5, 0.75, 1, 1.5)),
    ],
)
def test_each_multiplier_is_the_published_one(steps, values, multipliers):
    assert tuple(step_of(value, steps) for value in values) == multipliers


def test_the_index_is_the_product():
    hard = Job(intensity=0.5, exertion_share=0.85, per_minute=16, flexion=50, hours=6)
    assert strain_index_1995(hard) == 6 * 3 * 2 * 2 * 1 * 1
    assert strain_index_1995(hard) >= PROBABLY_HAZARDOUS
    light = Job(intensity=0.1, exertion_share=0.2, per_minute=5, flexion=0, hours=0.5)
    assert strain_index_1995(light) == 0.25 <= PROBABLY_SAFE
