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
    """The table of a way. Kept for later plans: it does not depend on weights or minutes."""
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
        """Combine the blocks: over all sets of classes, the cheapest chain of tables from opening to close.

        Bits are numbered block by block, so up to a block only the sets of the bits so far are told apart.
        """
        own = [_united(tuple(1 << bit for bit in bits)) for bits in self._bit]
        sets = np.arange(1 << max(bits.bit_length() for bits in own), dtype=np.int32)
        total: Seconds = np.full(len(sets), NEVER, dtype=np.int32)
        reached: dict[Scene | None, Seconds] = {None: np.zeros(1, dtype=np.int32)}
        for b, bits in enumerate(self._bit):
            if not bits:
                continue
            known, later = 1 << _united(tuple(own[: b + 1])).bit_length(), _united(tuple(own[b + 1 :]))
            used = (sets[:known] & own[b]) != 0
            mask = _masks(bits, known)
            least: Seconds = np.full(known, NEVER, dtype=np.int32)
            grown: dict[Scene | None, Seconds] = {}
            tables = self._tables(b, list(reached))
            for start, before in reached.items():
                begun = before + np.int32(BLOCK + (0 if start else self._way.opening(b)))
                np.minimum(least, _joined(begun, tables[start].ends, mask), out=least)
                if not later:
                    continue
                _lower(grown, start, np.where(used, NEVER, np.tile(before, known // len(before))))
                for scene, passes in tables[start].leaves.items():
                    left = np.minimum(_joined(begun, passes, mask), NEVER)
                    _lower(grown, scene, np.where(used, left, NEVER))
            np.copyto(total[:known], least, where=used & ((sets[:known] & later) == 0))
            reached = grown
        return total

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


def _masks(bits: Sequence[int], size: int) -> NDArray[np.intp]:
    """For each of `size` joint sets, the set of a block's own classes; the i-th of them has the joint bit `bits[i]`."""
    masks = np.zeros(size, dtype=np.intp)
    for bit in range(size.bit_length() - 1):
        own = _united(tuple(1 << place for place, joint in enumerate(bits) if joint == bit))
        np.bitwise_or(masks[: 1 << bit], own, out=masks[1 << bit : 2 << bit])
    return masks


def _joined(before: Seconds, within: Seconds, mask: NDArray[np.intp]) -> Seconds:
    """The seconds before a block, by the sets of earlier bits, and within it, by its own sets: both, by joint set."""
    joined = np.take(within, mask).reshape(-1, len(before))
    joined += before
    return joined.reshape(-1)


def _lower(costs: dict[Scene | None, Seconds], key: Scene | None, found: Seconds) -> None:
    """Keep the lesser of what is known for `key` and what was found; nothing that never happens is kept."""
    if (found < NEVER).any():
        costs[key] = np.minimum(costs[key], found) if key in costs else found
