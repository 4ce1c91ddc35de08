"""The cheapest order of a chosen set of regions that a school's rows allow.

Stops that always travel together form a leg of the way and are never split. Rows follow one another; within a row a
programme over the sets of legs done so far (Held & Karp 1962) keeps, for every scene it can end in, the cheapest way
there. Blocks are joined by a turn.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from itertools import product

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.rules import Block
from mellow_tide.core.flow.flow import Visit
from mellow_tide.core.planner.legs import Leg, legs, ritual_visit
from mellow_tide.core.planner.way import Home, Way, homes
from mellow_tide.core.timing.scene import Scene, opening_scene
from mellow_tide.core.timing.transitions import approach

Ways = dict[Scene, tuple[int, tuple[Visit, ...]]]
"""For each scene that can be reached: the least seconds, and the visits that take them."""


@dataclass(frozen=True, slots=True)
class Order:
    """Visits from opening to close, and the whole seconds of the opening and of all transitions."""

    seconds: int
    visits: tuple[Visit, ...]


@lru_cache(maxsize=2_000)
def cheapest_order(chosen: frozenset[str], way: Way, catalogue: Catalogue) -> Order:
    """The order of least seconds for `chosen`, region ids that `way` has a place for (at least one)."""
    blocks = way.blocks(catalogue)
    return min(
        (_through(parts, blocks, way, catalogue) for parts in assignments(chosen, way, catalogue)),
        key=lambda order: order.seconds,
    )


def assignments(chosen: frozenset[str], way: Way, catalogue: Catalogue) -> Iterator[tuple[set[str], ...]]:
    """Every way to give each chosen region a home: one set of regions a block."""
    known = homes(way, catalogue)
    names = sorted(chosen)
    count = len(way.blocks(catalogue))
    picks: Iterator[tuple[Home, ...]] = product(*(known[id] for id in names))
    for pick in picks:
        yield tuple({id for id, home in zip(names, pick, strict=True) if b in home} for b in range(count))


def _through(parts: tuple[set[str], ...], blocks: tuple[Block, ...], way: Way, catalogue: Catalogue) -> Order:
    clothed = way.clothed(catalogue)
    used = [b for b, chosen in enumerate(parts) if chosen]
    first = blocks[used[0]].position
    opening = ritual_visit("open", catalogue.openings[first], first, catalogue)
    ways: Ways = {opening_scene(opening, catalogue): (way.opening(used[0]), (opening,))}
    for b in used:
        for row in blocks[b].rows:
            there = tuple(id for id in row if id in parts[b])
            ways = _through_row(ways, legs(there, blocks[b].position, clothed, catalogue), catalogue)
    last = blocks[used[-1]].position
    closing = ritual_visit("close", catalogue.closings[way.closing], last, catalogue)
    ways = _extend(ways, (closing,), catalogue)
    return Order(*min(ways.values(), key=lambda found: found[0]))


def _through_row(ways: Ways, row: tuple[Leg, ...], catalogue: Catalogue) -> Ways:
    """The cheapest ways through all legs of a row in any order."""
    done: dict[int, Ways] = {0: ways}
    for mask in range(1 << len(row)):
        for i, leg in enumerate(row):
            if mask & 1 << i:
                continue
            grown = done.setdefault(mask | 1 << i, {})
            for scene, found in _extend(done[mask], leg, catalogue).items():
                if scene not in grown or found[0] < grown[scene][0]:
                    grown[scene] = found
    return done[(1 << len(row)) - 1]


def _extend(ways: Ways, leg: Leg, catalogue: Catalogue) -> Ways:
    grown: Ways = {}
    for start, (start_seconds, visits) in ways.items():
        scene, seconds = start, start_seconds
        for visit in leg:
            changes, scene = approach(scene, visit, catalogue)
            seconds += sum(transition.seconds for transition, _ in changes)
        if scene not in grown or seconds < grown[scene][0]:
            grown[scene] = (seconds, visits + leg)
    return grown
