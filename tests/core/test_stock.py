"""What a session used of its lubricant, what runs low, and what to buy."""

import pytest

from mellow_tide.core.preparing.stock import find_used, judge_stock, write_shopping_list
from mellow_tide.core.run.done import RegionDone
from mellow_tide.core.supplies.packing import LubricantAmount, Supplies
from tests.settings import CATALOGUE

SUPPLIES = Supplies(
    lubricant="jojoba_wax",
    millilitres=12,
    by_region=(
        LubricantAmount(region="back", millilitres=8),
        LubricantAmount(region="arm", millilitres=4),
    ),
    linen=(),
    supports=(),
    hot_towels=None,
    packing=(),
)


def done(region, planned, taken):
    return RegionDone(region=region, planned=planned, taken=taken, suited=None, last_word=None)


@pytest.mark.parametrize(
    ("back", "arm", "used"),
    [
        ((600, 600), (200, 200), 12),
        ((600, 300), (200, 0), 4),
        ((600, 1800), (200, 200), 16),
        ((0, 60), (0, 0), 0),
    ],
)
def test_what_was_worked_less_used_less_and_more_not_without_end(back, arm, used):
    assert find_used(SUPPLIES, (done("back", *back), done("arm", *arm))) == used


def test_what_the_bookings_take_and_is_not_there_runs_low_and_is_bought_in_bottles():
    stock = judge_stock({"jojoba_wax": 30, "plain_cream": 500}, {"jojoba_wax": 300.4}, CATALOGUE)
    assert [(one.lubricant, one.wanted, one.low) for one in stock] == [
        ("jojoba_wax", 300, True),
        ("plain_cream", 0, False),
    ]
    assert write_shopping_list(stock) == "jojoba: 2 bottles of 250 ml"
    assert write_shopping_list(stock[1:]) == ""


def test_more_used_than_was_ever_entered_is_none_and_low():
    (one,) = judge_stock({"jojoba_wax": -20}, {"jojoba_wax": 5}, CATALOGUE)
    assert (one.millilitres, one.low) == (0, True)
