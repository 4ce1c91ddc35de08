"""The cheapest order of a chosen set of regions that a school's rows allow.

Stops that always travel together (one window, one standing place) form a leg of the way and are never
split. Rows follow one another; within a row a programme over the sets of legs done so far (Held & Karp
1962) keeps, for every scene it can end in, the cheapest way there. Blocks are joined by a turn.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import product

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Region
from mellow_tide.core.catalogue.rules import Block, Closing, Opening, School
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.flow import Role, Visit
from mellow_tide.core.planner.repertoire import medium_of
from mellow_tide.core.timing.scene import Scene, opening_scene
from mellow_tide.core.timing.transitions import approach

Leg = tuple[Visit, ...]
Ways = dict[Scene, tuple[int, tuple[Visit, ...]]]
"""For each scene that can be reached: the least seconds, and the visits that take them."""


@dataclass(frozen=True, slots=True)
class Way:
    """The rules of an order: a school's and a closing's id, and the positions the client may not lie in."""

    school: str
    closing: str
    barred: frozenset[str] = frozenset()

    def blocks(self, catalogue: Catalogue) -> tuple[Block, ...]:
        """The school's blocks; one in a barred position has no rows."""
        return tuple(
            Block(position=b.position, rows=()) if b.position in self.barred else b
            for b in catalogue.schools[self.school].blocks
        )


@dataclass(frozen=True, slots=True)
class Order:
    """Visits from opening to close, and the whole seconds of all transitions before and between them."""

    seconds: int
    visits: tuple[Visit, ...]


@lru_cache(maxsize=20_000)
def cheapest_order(chosen: frozenset[str], way: Way, catalogue: Catalogue) -> Order:
    """The order of least transition seconds for `chosen`, region ids that `way` has a place for (at least one)."""
    rules, end = catalogue.schools[way.school], catalogue.closings[way.closing]
    return min(
        (_through(a, rules, end, catalogue) for a in _assignments(chosen, way.blocks(catalogue))), key=_cost
    )


def order_seconds(chosen: frozenset[str], way: Way, catalogue: Catalogue) -> int:
    """The seconds of `cheapest_order`, found once for all sets that differ only in like regions.

    Two regions of one leg with the same window, place and hands cost the same to reach; one stands for
    both, and the other adds only its announcement.
    """
    kept: set[str] = set()
    dropped = 0
    for id, like in _likeness(way, catalogue).items():
        if id in chosen:
            if chosen.isdisjoint(like):
                kept.add(id)
            else:
                dropped += catalogue.regions[id].side_count
    order = cheapest_order(frozenset(kept), way, catalogue)
    return order.seconds + dropped * catalogue.pace.announce


def _cost(order: Order) -> int:
    return order.seconds


@lru_cache(maxsize=64)
def _likeness(way: Way, catalogue: Catalogue) -> dict[str, frozenset[str]]:
    """For each region of the school: the earlier regions of its row that cost the same to reach."""
    like: dict[str, frozenset[str]] = {}
    homes: dict[str, list[tuple[str, tuple[str, ...]]]] = {}
    for block in way.blocks(catalogue):
        for row in block.rows:
            for id in row:
                homes.setdefault(id, []).append((block.position, row))
    for id, rows in homes.items():
        position, row = rows[0]
        same = _signature(catalogue.regions[id], position)
        earlier = row[: row.index(id)] if len(rows) == 1 else ()
        like[id] = frozenset(e for e in earlier if _signature(catalogue.regions[e], position) == same)
    return like


def _signature(region: Region, position: str) -> tuple[object, ...]:
    return (
        region.window_in(position),
        region.sides,
        region.stand,
        region.hands,
        region.keeps_open,
        region.soils_hands,
        region.height,
        position in region.stool,
    )


def _assignments(chosen: frozenset[str], blocks: Sequence[Block]) -> Iterator[tuple[frozenset[str], ...]]:
    """Every way to give each chosen region to one block that has it: one set of regions a block."""
    homes = {id: [i for i, b in enumerate(blocks) if id in b.regions()] for id in sorted(chosen)}
    for pick in product(*homes.values()):
        yield tuple(
            frozenset(id for id, block in zip(homes, pick, strict=True) if block == i)
            for i in range(len(blocks))
        )


def _through(
    blocks: tuple[frozenset[str], ...], school: School, closing: Closing, catalogue: Catalogue
) -> Order:
    first = next(b.position for b, chosen in zip(school.blocks, blocks, strict=True) if chosen)
    opening = _ritual_visit("open", catalogue.openings[first], first, catalogue)
    ways: Ways = {opening_scene(opening, catalogue): (0, (opening,))}
    last = first
    for block, chosen in zip(school.blocks, blocks, strict=True):
        for row in block.rows:
            legs = _legs(tuple(id for id in row if id in chosen), block.position, catalogue)
            ways = _through_row(ways, legs, catalogue)
        last = block.position if chosen else last
    ways = _extend(ways, (_ritual_visit("close", closing, last, catalogue),), catalogue)
    return Order(*min(ways.values(), key=lambda way: way[0]))


def _through_row(ways: Ways, legs: tuple[Leg, ...], catalogue: Catalogue) -> Ways:
    """The cheapest ways through all `legs` in any order."""
    done: dict[int, Ways] = {0: ways}
    for mask in range(1 << len(legs)):
        for i, leg in enumerate(legs):
            if mask & 1 << i:
                continue
            grown = done.setdefault(mask | 1 << i, {})
            for scene, way in _extend(done[mask], leg, catalogue).items():
                if scene not in grown or way[0] < grown[scene][0]:
                    grown[scene] = way
    return done[(1 << len(legs)) - 1]


def _extend(ways: Ways, leg: Leg, catalogue: Catalogue) -> Ways:
    grown: Ways = {}
    for start, (start_seconds, visits) in ways.items():
        scene, seconds = start, start_seconds
        for visit in leg:
            cost, scene = _step(scene, visit, catalogue)
            seconds += cost
        if scene not in grown or seconds < grown[scene][0]:
            grown[scene] = (seconds, visits + leg)
    return grown


@lru_cache(maxsize=20_000)
def _step(scene: Scene, visit: Visit, catalogue: Catalogue) -> tuple[int, Scene]:
    changes, after = approach(scene, visit, catalogue)
    return sum(transition.seconds for transition, _ in changes), after


@lru_cache(maxsize=4_000)
def _legs(regions: tuple[str, ...], position: str, catalogue: Catalogue) -> tuple[Leg, ...]:
    """The legs of one row: mid-line regions alone, pairs worked from the ends of the table in one go,
    and for pairs worked from the client's own side one leg a side.
    """
    legs: list[Leg] = []
    sided: list[str] = []
    for id in regions:
        region = catalogue.regions[id]
        if region.sides == "mid":
            legs.append((_visit(id, "mid", position, catalogue),))
        elif "own_side" not in region.stand:
            legs.append(tuple(_visit(id, side, position, catalogue) for side in ("right", "left")))
        else:
            sided.append(id)
    for side in ("right", "left"):
        for together in _together(sided, position, catalogue):
            legs.append(tuple(_visit(id, side, position, catalogue) for id in together))
    return tuple(legs)


def _together(ids: list[str], position: str, catalogue: Catalogue) -> Iterator[list[str]]:
    """Split `ids` where the window changes and need not stay open."""
    group: list[str] = []
    for id in ids:
        region = catalogue.regions[id]
        window = catalogue.regions[group[0]].window_in(position) if group else ""
        if group and region.window_in(position) != window and window not in region.keeps_open:
            yield group
            group = []
        group.append(id)
    if group:
        yield group


def _visit(id: str, side: Side, position: str, catalogue: Catalogue) -> Visit:
    window = catalogue.regions[id].window_in(position)
    return Visit("work", id, side, position, window, medium_of(id, catalogue))


def _ritual_visit(role: Role, ritual: Opening | Closing, position: str, catalogue: Catalogue) -> Visit:
    """Where the session's first or last still contact is, through the drape."""
    side: Side = "both" if catalogue.regions[ritual.region].sides == "pair" else "mid"
    return Visit(role, ritual.region, side, position, "none", "clothed")
