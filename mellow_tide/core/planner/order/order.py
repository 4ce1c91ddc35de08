"""The cheapest order of a chosen set of regions that a school's rows allow.

Parts that always travel together form a leg of the way and are never split. Rows follow one another, the legs of a row
may come in any order, and blocks are joined by a turn.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from itertools import product, takewhile

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.rules import Block
from mellow_tide.core.flow.flow import Setup
from mellow_tide.core.planner.order.legs import list_legs, set_up_ritual
from mellow_tide.core.planner.order.walk import Walk, Ways, through, traced
from mellow_tide.core.planner.order.way import Home, SchoolWay, homes
from mellow_tide.core.timing.scene import opening_scene


@dataclass(frozen=True, slots=True)
class Order:
    """Setups from opening to close, and the whole seconds of the opening and of all transitions."""

    seconds: int
    setups: tuple[Setup, ...]

    @property
    def still_covered(self) -> int:
        """How many parts come at the end, the close among them, for which nothing is uncovered any more."""
        return sum(1 for _ in takewhile(lambda setup: setup.window == "none", reversed(self.setups)))


@lru_cache(maxsize=2_000)
def find_cheapest_order(chosen: frozenset[str], way: SchoolWay, catalogue: Catalogue) -> Order:
    """The order of fewest turns, then of least seconds, for `chosen`, region ids that `way` has a place for.

    There must be at least one. Of equal ones that in which the last uncovering comes earliest: the end is quiet.
    """
    blocks = way.blocks(catalogue)
    possible = list(list_assignments(chosen, way, catalogue))
    fewest = min(sum(map(bool, parts)) for parts in possible)
    return min(
        (_through(parts, blocks, way, catalogue) for parts in possible if sum(map(bool, parts)) == fewest),
        key=lambda order: (order.seconds, -order.still_covered),
    )


def list_assignments(
    chosen: frozenset[str], way: SchoolWay, catalogue: Catalogue
) -> Iterator[tuple[set[str], ...]]:
    """Every way to give each chosen region a home: one set of regions a block."""
    known = homes(way, catalogue)
    names = sorted(chosen)
    count = len(way.blocks(catalogue))
    picks: Iterator[tuple[Home, ...]] = product(*(known[id] for id in names))
    for pick in picks:
        yield tuple({id for id, home in zip(names, pick, strict=True) if b in home} for b in range(count))


def _through(
    parts: tuple[set[str], ...], blocks: tuple[Block, ...], way: SchoolWay, catalogue: Catalogue
) -> Order:
    """The cheapest order of the regions of each block: through the rows forwards, then traced back."""
    clothed = way.clothed(catalogue)
    used = [b for b, chosen in enumerate(parts) if chosen]
    first, last = blocks[used[0]].position, blocks[used[-1]].position
    opening = set_up_ritual("open", catalogue.openings[first], first, catalogue)
    closing = set_up_ritual("close", catalogue.closings[way.closing], last, catalogue)
    rows = [
        list_legs(tuple(id for id in row if id in parts[b]), blocks[b].position, clothed, catalogue)
        for b in used
        for row in blocks[b].rows
    ]
    rows.append(((closing,),))
    walk = Walk(catalogue)
    ways: Ways = {walk.number(opening_scene(opening, catalogue)): way.opening(used[0])}
    done = []
    for row in rows:
        done.append(through(ways, [walk.steps(leg) for leg in row]))
        ways = done[-1][-1]
    scene = min(ways, key=lambda scene: ways[scene])
    setups: tuple[Setup, ...] = ()
    for row, found in zip(reversed(rows), reversed(done), strict=True):
        order, scene = traced(found, [walk.steps(leg) for leg in row], scene)
        setups = tuple(setup for i in order for setup in row[i]) + setups
    return Order(min(ways.values()), (opening, *setups))
