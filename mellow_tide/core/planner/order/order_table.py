"""The seconds of the cheapest order for every set of regions at once.

Regions of one row that cost the same to reach form a class: one of them stands for all, since a further one adds only
its announcement. A block's cheapest ways are then a small table over the sets of its classes, built row by row, and
blocks meet only in what a turn leaves: clean, oily or soiled hands and the table's height.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import chain, product

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.rules import Block
from mellow_tide.core.planner.order.block_table import (
    NEVER,
    BlockRows,
    BlockTable,
    Seconds,
    make_block_tables,
)
from mellow_tide.core.planner.order.legs import is_always_announced, set_up_ritual
from mellow_tide.core.planner.order.walk import Walk
from mellow_tide.core.planner.order.way import Home, SchoolWay, homes, sides_in
from mellow_tide.core.planner.strokes.repertoire import medium_of
from mellow_tide.core.timing.scene import Scene, opening_scene

BLOCK = 100_000
"""Stands for a block that is used: more than all seconds of a session, and much less than `NEVER`."""


@dataclass(frozen=True)
class OrderTable:
    """`joint[i]` are the least seconds for the set of classes whose bits make `i`, announcements left out.

    To them are added `BLOCK` for each block that is used, so that the client is turned as seldom as can be.
    `bits[id]` are the bits a region sets, for each of its homes; `announced[id]` the seconds of announcing
    it, where that costs the same in any order.
    """

    joint: Seconds
    bits: Mapping[str, tuple[int, ...]]
    announced: Mapping[str, int]

    def of(self, chosen: frozenset[str]) -> int:
        """The seconds for one set of regions."""
        names = sorted(chosen)
        least = min(int(self.joint[_united(pick)]) for pick in product(*(self.bits[id] for id in names)))
        return least % BLOCK + sum(self.announced[id] for id in names)

    def of_all(self, always: tuple[str, ...], optional: tuple[str, ...]) -> Seconds:
        """The seconds for every set that holds `always` and those of `optional` whose bits its index has."""
        least: Seconds = np.full(1 << len(optional), NEVER, dtype=np.int32)
        for pick in product(*(self.bits[id] for id in (*always, *optional))):
            index = np.empty(1 << len(optional), dtype=np.int64)
            index[0] = _united(pick[: len(always)])
            for i, bits in enumerate(pick[len(always) :]):
                np.bitwise_or(index[: 1 << i], bits, out=index[1 << i : 2 << i])
            least = np.minimum(least, self.joint[index])
        extra = np.empty(len(least), dtype=np.int32)
        extra[0] = sum(self.announced[id] for id in always)
        for i, id in enumerate(optional):
            np.add(extra[: 1 << i], np.int32(self.announced[id]), out=extra[1 << i : 2 << i])
        return np.where(least < NEVER, least % BLOCK, NEVER) + extra


def _united(bits: tuple[int, ...]) -> int:
    united = 0
    for one in bits:
        united |= one
    return united


@lru_cache(maxsize=64)
def make_order_table(way: SchoolWay, catalogue: Catalogue) -> OrderTable:
    """The table of a way. FieldRule for later plans: it does not depend on weights or minutes."""
    return _Builder(way, catalogue).table()


class _Builder:
    def __init__(self, way: SchoolWay, catalogue: Catalogue) -> None:
        self._way, self._catalogue = way, catalogue
        self._blocks = way.blocks(catalogue)
        self._homes = homes(way, catalogue)
        self._classes = [self._classes_of(b, block) for b, block in enumerate(self._blocks)]
        self._bit = self._numbered()
        self._walk = Walk(catalogue)

    def table(self) -> OrderTable:
        catalogue = self._catalogue
        known = self._homes
        announced = {}
        for id, options in known.items():
            positions = [self._blocks[b].position for b in options[0]]
            sides = sum(
                len(sides_in(id, position, catalogue))
                for position in positions
                if is_always_announced(id, position, catalogue)
            )
            announced[id] = catalogue.clock.announce * sides
        bits = {id: tuple(self._bits(id, home) for home in options) for id, options in known.items()}
        return OrderTable(self._joint(), bits, announced)

    def _classes_of(self, b: int, block: Block) -> list[list[tuple[str, ...]]]:
        """By row, the classes of the regions that have a home in the block."""
        rows = []
        for row in block.rows:
            alike: dict[tuple[object, ...], list[str]] = {}
            for id in (id for id in row if any(b in home for home in self._homes.get(id, ()))):
                alike.setdefault(self._signature(id, block.position), []).append(id)
            rows.append([tuple(ids) for ids in alike.values()])
        return rows

    def _signature(self, id: str, position: str) -> tuple[object, ...]:
        region = self._catalogue.regions[id]
        return (
            region.window_in(position),
            sides_in(id, position, self._catalogue),
            region.stand_at(position),
            region.hands,
            region.keeps_open,
            region.with_limb,
            region.soils_hands,
            region.height,
            position in region.stool,
            medium_of(id, self._way.clothed(self._catalogue), self._catalogue),
        )

    def _numbered(self) -> list[list[int]]:
        """By block, the bit of each class in a joint set. Classes that every home of their regions unites share one."""
        united: dict[frozenset[tuple[int, int]], int] = {}
        bits: list[list[int]] = []
        for b, rows in enumerate(self._classes):
            bits.append([])
            for place, ids in enumerate(chain.from_iterable(rows)):
                always = frozenset.intersection(
                    *(self._class_set(id, home) for id in ids for home in self._homes[id])
                )
                alike = [m for m in always if set(self._ids(*m)) == set(ids)] or [(b, place)]
                bits[b].append(united.setdefault(frozenset(alike), len(united)))
        return bits

    def _class_set(self, id: str, home: Home) -> frozenset[tuple[int, int]]:
        """The classes, by block and place, that a region sets when it has this home."""
        found = set()
        for b in home:
            classes = list(chain.from_iterable(self._classes[b]))
            found.add((b, next(i for i, ids in enumerate(classes) if id in ids)))
        return frozenset(found)

    def _ids(self, b: int, place: int) -> tuple[str, ...]:
        return list(chain.from_iterable(self._classes[b]))[place]

    def _bits(self, id: str, home: Home) -> int:
        return _united(tuple(1 << self._bit[b][place] for b, place in self._class_set(id, home)))

    def _joint(self) -> Seconds:
        """Combine the blocks: over all sets of classes, the cheapest chain of tables from opening to close."""
        width = 1 + max(chain.from_iterable(self._bit), default=-1)
        size = 1 << width
        masks = [_masks(bits, width) for bits in self._bit]
        later = np.zeros(size, dtype=np.bool_)
        is_last: list[NDArray[np.bool_]] = []
        for mask in reversed(masks):
            is_last.insert(0, ~later)
            later = later | (mask != 0)
        total: Seconds = np.full(size, NEVER, dtype=np.int32)
        reached: dict[Scene | None, Seconds] = {None: np.zeros(size, dtype=np.int32)}
        for b, mask in enumerate(masks):
            used = mask != 0
            grown: dict[Scene | None, Seconds] = {}
            tables = self._tables(b, list(reached))
            for start, cost in reached.items():
                _lower(grown, start, np.where(used, NEVER, cost))
                if not used.any():
                    continue
                table = tables[start]
                begun = cost + np.int32(0 if start else self._way.opening(b))
                ends = np.where(used & is_last[b], begun + table.ends[mask], NEVER)
                total = np.minimum(total, ends)
                for scene, passes in table.leaves.items():
                    _lower(grown, scene, np.where(used, np.minimum(begun + passes[mask], NEVER), NEVER))
            reached = grown
        blocks = sum((mask != 0).astype(np.int32) for mask in masks)
        return np.where(total < NEVER, total + np.int32(BLOCK) * blocks, NEVER)

    def _opening(self, b: int) -> Scene:
        position = self._blocks[b].position
        ritual = set_up_ritual("open", self._catalogue.openings[position], position, self._catalogue)
        return opening_scene(ritual, self._catalogue)

    def _tables(self, b: int, starts: list[Scene | None]) -> dict[Scene | None, BlockTable]:
        """The block from each start, its opening where nothing was worked before it."""
        position, c = self._blocks[b].position, self._catalogue
        rows = BlockRows(position, self._way.clothed(c), self._classes[b], c)
        closing = (set_up_ritual("close", c.closings[self._way.closing], position, c),)
        scenes = [start or self._opening(b) for start in starts]
        goes_on = b + 1 < len(self._blocks)
        return dict(zip(starts, make_block_tables(scenes, rows, closing, goes_on, self._walk), strict=True))


def _masks(bits: Sequence[int], width: int) -> NDArray[np.intp]:
    """For every joint set, the set of a block's own classes, the i-th of which has the joint bit `bits[i]`."""
    masks = np.zeros(1 << width, dtype=np.intp)
    for bit in range(width):
        own = _united(tuple(1 << place for place, joint in enumerate(bits) if joint == bit))
        np.bitwise_or(masks[: 1 << bit], own, out=masks[1 << bit : 2 << bit])
    return masks


def _lower(costs: dict[Scene | None, Seconds], key: Scene | None, found: Seconds) -> None:
    """Keep the lesser of what is known for `key` and what was found; nothing that never happens is kept."""
    if (found < NEVER).any():
        costs[key] = np.minimum(costs[key], found) if key in costs else found
