"""The rules of an order: which positions, in which sequence, and where each region may be worked."""

from dataclasses import dataclass
from functools import lru_cache
from itertools import product

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.rules import Block
from mellow_tide.core.flow.brief import Side

Home = tuple[int, ...]
"""Indices of the blocks that work a region together: one, or one for each side."""


@dataclass(frozen=True, slots=True)
class SchoolWay:
    """What an order must keep to.

    School and closing by id, the positions the client may not lie in, the position to begin in if that is wished, and
    for each block of the school the whole seconds of the opening if the session begins there.
    """

    school: str
    closing: str
    barred: frozenset[str] = frozenset()
    first: str | None = None
    opening_seconds: tuple[int, ...] = ()

    def blocks(self, catalogue: Catalogue) -> tuple[Block, ...]:
        """The school's blocks in their sequence; one in a barred position has no rows."""
        blocks = sorted(catalogue.schools[self.school].blocks, key=lambda b: b.position != self.first)
        return tuple(Block(position=b.position, rows=()) if b.position in self.barred else b for b in blocks)

    def opening(self, block: int) -> int:
        """Seconds of the opening of a session that begins in `block`."""
        return self.opening_seconds[block] if self.opening_seconds else 0

    def clothed(self, catalogue: Catalogue) -> bool:
        """Whether the school's kind works through clothing."""
        return catalogue.kinds[catalogue.schools[self.school].kind].clothed


@lru_cache(maxsize=64)
def homes(way: SchoolWay, catalogue: Catalogue) -> dict[str, tuple[Home, ...]]:
    """For each region that the school has a place for: the ways in which its blocks can share it.

    Lying on a side offers only the upper side of a pair, so a pair needs a block for each; so does a mid-line region
    that is worked in halves.
    """
    blocks = way.blocks(catalogue)
    found: dict[str, list[Home]] = {}
    for id, region in catalogue.regions.items():
        has = [i for i, b in enumerate(blocks) if id in b.regions() and region.is_whole_in(b.position)]
        upper = {i: catalogue.positions[blocks[i].position].upper for i in has}
        options: list[Home] = [(i,) for i in has if upper[i] is None]
        if region.only:
            options += [(i,) for i in has if upper[i] == region.only]
        elif region.sides == "pair" or region.halves:
            lefts = [i for i in has if upper[i] == "left"]
            rights = [i for i in has if upper[i] == "right"]
            options += [tuple(sorted(both)) for both in product(lefts, rights)]
        else:
            options += [(i,) for i in has if upper[i] is not None]
        if options:
            found[id] = options
    return {id: tuple(options) for id, options in found.items()}


def halved(id: str, way: SchoolWay, catalogue: Catalogue) -> bool:
    """Whether a mid-line region is worked in halves wherever the school has a place for it."""
    options = homes(way, catalogue).get(id, ())
    return catalogue.regions[id].sides == "mid" and bool(options) and all(len(home) > 1 for home in options)


def sides_in(id: str, position: str, catalogue: Catalogue) -> tuple[Side, ...]:
    """The sides of a region that are worked in `position`, in their order."""
    region, upper = catalogue.regions[id], catalogue.positions[position].upper
    if region.only:
        return (region.only,)
    if upper is not None and (region.sides == "pair" or region.halves):
        return (upper,)
    return ("right", "left") if region.sides == "pair" else ("mid",)
