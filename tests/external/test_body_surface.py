"""Body surface against two published formulas (both from memory): Mosteller 1987 and Du Bois 1916."""

import pytest

from mellow_tide.core.supplies.body_surface import mosteller


def du_bois(height_cm, weight_kg):
    """Body surface in m2 by the second formula, the reference here."""
    return 0.007184 * weight_kg**0.425 * height_cm**0.725


def test_the_reference_body():
    assert mosteller(170, 70) == pytest.approx(1.818, abs=0.0005)
    assert du_bois(170, 70) == pytest.approx(1.810, abs=0.0005)


@pytest.mark.parametrize("height", range(150, 201, 10))
def test_the_two_agree_within_five_percent_for_usual_builds(height):
    for index in (20, 24, 28):
        weight = index * (height / 100) ** 2
        if 45 <= weight <= 120:
            assert mosteller(height, weight) == pytest.approx(du_bois(height, weight), rel=0.05)
