"""What a session used of its lubricant, what runs low, and what to buy."""

import pytest

from mellow_tide.core.catalogue.linen import Linen
from mellow_tide.core.preparing.stock import find_used, find_wanted, judge_stock, write_shopping_list
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
    assert find_used(SUPPLIES, (done("back", *back), done("arm", *arm))) == {"jojoba_wax": used}


def test_what_the_bookings_take_and_is_not_there_runs_low_and_is_bought_in_bottles():
    stock = judge_stock({"jojoba_wax": 30, "plain_cream": 500}, {"jojoba_wax": 300.4}, CATALOGUE)
    assert [(one.item, one.wanted, one.low) for one in stock] == [
        ("jojoba_wax", 300, True),
        ("plain_cream", 0, False),
    ]
    assert write_shopping_list(stock) == "jojoba: 2 bottles of 250 ml"
    assert write_shopping_list(stock[1:]) == ""


def test_more_used_than_was_ever_entered_is_none_and_low():
    (one,) = judge_stock({"jojoba_wax": -20}, {"jojoba_wax": 5}, CATALOGUE)
    assert (one.amount, one.low) == (0, True)


LAID_OUT = SUPPLIES.model_copy(
    update={"linen": (Linen(name="sheet", count=2), Linen(name="blanket", washed=False))}
)


def test_linen_that_is_laid_out_is_used_and_a_blanket_is_not_washed_each_time():
    assert find_used(LAID_OUT, ()) == {"linen:sheet": 2, "jojoba_wax": 0}
    assert find_wanted(LAID_OUT, "linen") == {"linen:sheet": 2}
    assert find_wanted(LAID_OUT, "lubricant") == {"jojoba_wax": 12}


def test_linen_that_runs_low_is_washed_by_the_piece():
    stock = judge_stock({"linen:sheet": 3, "jojoba_wax": 30, "linen:sail": 9}, {"linen:sheet": 8}, CATALOGUE)
    assert [(one.item, one.kind, one.low) for one in stock] == [
        ("linen:sheet", "linen", True),
        ("jojoba_wax", "lubricant", False),
    ]
    assert write_shopping_list(stock) == "sheet: 5 to wash or buy"
