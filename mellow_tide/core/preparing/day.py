"""What a day of sessions takes in all: linen and towels to lay out and wash, lubricant to have, supports to find."""

from collections.abc import Iterable
from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.supplies.packing import Supplies


class Counted(Record):
    """A thing in words, and how many of it."""

    words: str
    count: Annotated[int, Field(ge=1)]


class PouredInAll(Record):
    """A lubricant by its id and name, and its millilitres."""

    lubricant: str
    name: str
    millilitres: Annotated[int, Field(ge=0)]


class DaySupplies(Record):
    """Linen by the piece, lubricants by amount, hot towels, and every support that some session takes, by name."""

    linen: tuple[Counted, ...]
    lubricants: tuple[PouredInAll, ...]
    hot_towels: int
    supports: tuple[str, ...]


def add_up_supplies(sessions: Iterable[Supplies], catalogue: Catalogue) -> DaySupplies:
    """What all sessions take together. Supports are used again; linen, towels and lubricant are not."""
    linen: dict[str, int] = {}
    poured: dict[str, float] = {}
    towels, supports = 0, set[str]()
    for supplies in sessions:
        for words in supplies.linen:
            linen[words] = linen.get(words, 0) + 1
        if supplies.lubricant:
            poured[supplies.lubricant] = poured.get(supplies.lubricant, 0) + supplies.millilitres
        towels += supplies.hot_towels.count if supplies.hot_towels else 0
        supports.update(supplies.supports)
    return DaySupplies(
        linen=tuple(Counted(words=words, count=count) for words, count in linen.items()),
        lubricants=tuple(
            PouredInAll(lubricant=id, name=catalogue.lubricants[id].name, millilitres=round(ml))
            for id, ml in poured.items()
        ),
        hot_towels=towels,
        supports=tuple(catalogue.supports[id].name for id in catalogue.supports if id in supports),
    )
