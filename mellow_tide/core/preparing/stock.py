"""What there is of each lubricant, what the sessions to come take of it, and what to buy."""

from collections.abc import Mapping, Sequence
from math import ceil
from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.phrases.book import say
from mellow_tide.core.run.done import RegionDone
from mellow_tide.core.supplies.packing import Supplies

DAYS_AHEAD = 14
"""Bookings so many days ahead must be covered by what there is."""

BOTTLE = 250
"""Millilitres of the bottle that is bought (common practice)."""

Millilitres = Annotated[int, Field(ge=0, le=100_000)]


class Stock(Record):
    """A lubricant whose stock is counted: what there is, what the bookings ahead take; whether that runs low."""

    lubricant: str
    name: str
    millilitres: int
    wanted: int
    low: bool


def find_used(supplies: Supplies, done: Sequence[RegionDone]) -> int:
    """Millilitres that a session really used: each region's amount by the share of its minutes that was taken.

    A region that took more than its minutes uses no more than half as much again (from experience).
    """
    share = {one.region: one.taken / one.planned for one in done if one.planned > 0}
    return round(sum(part.millilitres * min(1.5, share.get(part.region, 0.0)) for part in supplies.by_region))


def judge_stock(
    counted: Mapping[str, int], wanted: Mapping[str, float], catalogue: Catalogue
) -> tuple[Stock, ...]:
    """The lubricants that are counted, by id in millilitres, beside what the bookings ahead take of each."""
    return tuple(
        Stock(
            lubricant=id,
            name=catalogue.lubricants[id].name,
            millilitres=max(0, millilitres),
            wanted=round(wanted.get(id, 0.0)),
            low=millilitres < wanted.get(id, 0.0),
        )
        for id, millilitres in counted.items()
        if id in catalogue.lubricants
    )


def write_shopping_list(stock: Sequence[Stock]) -> str:
    """What to buy of what runs low, a line each, in whole bottles; empty where nothing does."""
    return "\n".join(
        say(
            "preparing.to_buy",
            name=one.name,
            count=ceil(max(1, one.wanted - one.millilitres) / BOTTLE),
            bottle=BOTTLE,
        )
        for one in stock
        if one.low
    )
