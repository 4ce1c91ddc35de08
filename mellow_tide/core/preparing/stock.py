"""What there is of lubricants and clean linen, what the sessions to come take of it, what to buy and what to wash."""

from collections.abc import Iterator, Mapping, Sequence
from math import ceil
from typing import Annotated, Literal

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.phrases.book import say
from mellow_tide.core.run.done import RegionDone
from mellow_tide.core.supplies.packing import Supplies, list_linen

StockKind = Literal["lubricant", "linen"]

DAYS_AHEAD: dict[StockKind, int] = {"lubricant": 14, "linen": 2}
"""Bookings so many days ahead must be covered by what there is: linen comes back from the wash (from experience)."""

BOTTLE = 250
"""Millilitres of the bottle that is bought (common practice)."""

StockAmount = Annotated[int, Field(ge=0, le=100_000)]


class Stock(Record):
    """An item whose stock is counted: what there is, what the bookings of so many `days` take; whether that runs low.

    Lubricants are in millilitres, linen in clean pieces.
    """

    item: str
    kind: StockKind
    name: str
    amount: int
    wanted: int
    days: int
    low: bool


def find_used(supplies: Supplies, done: Sequence[RegionDone]) -> dict[str, int]:
    """By item, what a session really used: of its lubricant each region's amount by the share of its minutes taken.

    A region that took more than its minutes uses no more than half as much again (from experience). Linen that is laid
    out is used.
    """
    share = {one.region: one.taken / one.planned for one in done if one.planned > 0}
    used = {linen.item: linen.count for linen in supplies.linen if linen.washed}
    if supplies.lubricant:
        used[supplies.lubricant] = round(
            sum(part.millilitres * min(1.5, share.get(part.region, 0.0)) for part in supplies.by_region)
        )
    return used


def find_wanted(supplies: Supplies, kind: StockKind) -> dict[str, float]:
    """By item of one kind, what a session that is to come takes."""
    if kind == "lubricant":
        return {supplies.lubricant: supplies.millilitres} if supplies.lubricant else {}
    return {linen.item: linen.count for linen in supplies.linen if linen.washed}


def name_items(catalogue: Catalogue) -> dict[str, tuple[StockKind, str]]:
    """Everything that can be counted, by item: of what kind, and what it is called."""
    named: dict[str, tuple[StockKind, str]] = {
        id: ("lubricant", lubricant.name) for id, lubricant in catalogue.lubricants.items()
    }
    return named | {one.item: ("linen", one.name) for one in list_linen(catalogue) if one.washed}


def judge_stock(
    counted: Mapping[str, int], wanted: Mapping[str, float], catalogue: Catalogue
) -> tuple[Stock, ...]:
    """The items that are counted, with what there is of each, beside what the bookings ahead take of it."""
    named = name_items(catalogue)
    return tuple(
        Stock(
            item=item,
            kind=named[item][0],
            name=named[item][1],
            amount=max(0, amount),
            wanted=round(wanted.get(item, 0.0)),
            days=DAYS_AHEAD[named[item][0]],
            low=amount < wanted.get(item, 0.0),
        )
        for item, amount in counted.items()
        if item in named
    )


def write_shopping_list(stock: Sequence[Stock]) -> str:
    """What to buy in whole bottles and what to wash, of what runs low, a line each; empty where nothing does."""
    return "\n".join(_lines(stock))


def _lines(stock: Sequence[Stock]) -> Iterator[str]:
    for one in stock:
        missing = max(1, one.wanted - one.amount)
        if one.low and one.kind == "lubricant":
            yield say("preparing.to_buy", name=one.name, count=ceil(missing / BOTTLE), bottle=BOTTLE)
        elif one.low:
            yield say("preparing.to_wash", name=one.name, count=missing)
