"""What a day of sessions takes in all: linen and towels to lay out and wash, lubricant to have, supports to find."""

from collections.abc import Iterable
from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.linen import Linen
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.supplies.packing import Supplies, say_linen


class LinenInAll(Record):
    """Pieces of linen: by what the stock knows them, the name of one, all of them in words; whether they are washed."""

    item: str
    name: str
    words: str
    washed: bool


class PouredInAll(Record):
    """A lubricant by its id and name, and its millilitres."""

    lubricant: str
    name: str
    millilitres: Annotated[int, Field(ge=0)]


class DaySupplies(Record):
    """Linen by the piece, lubricants by amount, hot towels, and every support that some session takes, by name."""

    linen: tuple[LinenInAll, ...]
    lubricants: tuple[PouredInAll, ...]
    hot_towels: int
    supports: tuple[str, ...]


def add_up_supplies(sessions: Iterable[Supplies], catalogue: Catalogue) -> DaySupplies:
    """What all sessions take together. Supports are used again, and so is linen that is not washed after each."""
    linen: dict[str, Linen] = {}
    poured: dict[str, float] = {}
    towels, supports = 0, set[str]()
    for supplies in sessions:
        for one in supplies.linen:
            before = linen[one.item].count if one.item in linen and one.washed else 0
            linen[one.item] = one.model_copy(update={"count": before + one.count})
        if supplies.lubricant:
            poured[supplies.lubricant] = poured.get(supplies.lubricant, 0) + supplies.millilitres
        towels += supplies.hot_towels.count if supplies.hot_towels else 0
        supports.update(supplies.supports)
    return DaySupplies(
        linen=tuple(
            LinenInAll(item=item, name=one.name, words=say_linen(one), washed=one.washed)
            for item, one in linen.items()
        ),
        lubricants=tuple(
            PouredInAll(lubricant=id, name=catalogue.lubricants[id].name, millilitres=round(ml))
            for id, ml in poured.items()
        ),
        hot_towels=towels,
        supports=tuple(catalogue.supports[id].name for id in catalogue.supports if id in supports),
    )
