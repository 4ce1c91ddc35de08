"""The seconds of the cheapest order for every set of regions at once.

Regions of one row that cost the same to reach form a class: one of them stands for all, since a further one adds only
its announcement. A block's cheapest ways are then a small table over the sets of its classes, built row by row, and
blocks meet only in what a turn leaves: clean, oily or soiled hands and the table's height.
"""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import lru_cache
from itertools import chain, product

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.rules import Block
from mellow_tide.core.planner.legs import Leg, legs, ritual_visit
from mellow_tide.core.planner.repertoire import medium_of
from mellow_tide.core.planner.way import Home, Way, homes, sides_in
from mellow_tide.core.timing.scene import Place, Scene, opening_scene
from mellow_tide.core.timing.transitions import approach

Seconds = NDArray[np.int32]
FAR = 10**8
NEVER = np.int32(FAR)
"""More seconds than any session has; small enough to be added up."""

Ways = dict[int, int]
"""Least seconds to each scene, by its number."""

LegSteps = dict[int, tuple[int, int]]
"""What a leg costs from each scene, and the scene it leaves, by their numbers."""


@dataclass(frozen=True)
class OrderTable:
    """`joint[i]` are the least seconds for the set of classes whose bits make `i`, announcements left out.

    `bits[id]` are the bits a region sets, for each of its homes; `announced[id]` the seconds of announcing it.
    """

    joint: Seconds
    bits: Mapping[str, tuple[int, ...]]
    announced: Mapping[str, int]

    def of(self, chosen: frozenset[str]) -> int:
        """The seconds for one set of regions."""
        names = sorted(chosen)
        least = min(int(self.joint[_united(pick)]) for pick in product(*(self.bits[id] for id in names)))
        return least + sum(self.announced[id] for id in names)

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
        return least + extra


def _united(bits: tuple[int, ...]) -> int:
    united = 0
    for one in bits:
        united |= one
    return united


@lru_cache(maxsize=64)
def order_table(way: Way, catalogue: Catalogue) -> OrderTable:
    """The table of a way. Kept for later plans: it does not depend on weights or minutes."""
    return _Builder(way, catalogue).table()


@dataclass(frozen=True)
class _Part:
    """A block from one start: by the set of its classes, the seconds to the end, and to each scene it can leave."""

    ends: Seconds
    passes: Mapping[Scene, Seconds]


class _Builder:
    def __init__(self, way: Way, catalogue: Catalogue) -> None:
        self._way, self._catalogue = way, catalogue
        self._blocks = way.blocks(catalogue)
        self._homes = homes(way, catalogue)
        self._classes = [self._classes_of(b, block) for b, block in enumerate(self._blocks)]
        self._bit = self._numbered()
        # Scenes are numbered and legs keep what they cost from each: hashing records is what would take the time.
        self._scenes: list[Scene] = []
        self._numbers: dict[Scene, int] = {}
        self._steps: dict[Leg, LegSteps] = {}
        self._ready: dict[int, tuple[int, Scene]] = {}
        self._parts: dict[tuple[int, Scene], _Part] = {}

    def table(self) -> OrderTable:
        catalogue = self._catalogue
        known = self._homes
        announced = {}
        for id, options in known.items():
            sides = sum(len(sides_in(id, self._blocks[b].position, catalogue)) for b in options[0])
            announced[id] = catalogue.pace.announce * sides
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
            region.stand,
            region.hands,
            region.keeps_open,
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
        """Combine the blocks: over all sets of classes, the cheapest chain of parts from opening to close."""
        width = 1 + max(chain.from_iterable(self._bit), default=-1)
        index = np.arange(1 << width, dtype=np.int64)
        masks = [
            sum((((index >> bit) & 1) << place for place, bit in enumerate(bits)), np.zeros_like(index))
            for bits in self._bit
        ]
        later = np.zeros(len(index), dtype=np.bool_)
        is_last: list[NDArray[np.bool_]] = []
        for mask in reversed(masks):
            is_last.insert(0, ~later)
            later = later | (mask != 0)
        total: Seconds = np.full(len(index), NEVER, dtype=np.int32)
        reached: dict[Scene | None, Seconds] = {None: np.zeros(len(index), dtype=np.int32)}
        for b, mask in enumerate(masks):
            used = mask != 0
            grown: dict[Scene | None, Seconds] = {}
            for start, cost in reached.items():
                _lower(grown, start, np.where(used, NEVER, cost))
                if not used.any():
                    continue
                part = self._part(b, start or self._opening(b))
                begun = cost + np.int32(0 if start else self._way.opening(b))
                ends = np.where(used & is_last[b], begun + part.ends[mask], NEVER)
                total = np.minimum(total, ends)
                for scene, passes in part.passes.items():
                    _lower(grown, scene, np.where(used, np.minimum(begun + passes[mask], NEVER), NEVER))
            reached = grown
        return total

    def _opening(self, b: int) -> Scene:
        position = self._blocks[b].position
        ritual = ritual_visit("open", self._catalogue.openings[position], position, self._catalogue)
        return opening_scene(ritual, self._catalogue)

    def _part(self, b: int, start: Scene) -> _Part:
        key = (b, start)
        if key not in self._parts:
            self._parts[key] = self._worked_out(b, start)
        return self._parts[key]

    def _number(self, scene: Scene) -> int:
        number = self._numbers.setdefault(scene, len(self._scenes))
        if number == len(self._scenes):
            self._scenes.append(scene)
        return number

    def _worked_out(self, b: int, start: Scene) -> _Part:
        block = self._blocks[b]
        states: dict[int, Ways] = {0: {self._number(start): 0}}
        shift = 0
        for row in self._classes[b]:
            subsets = [
                (sub << shift, self._row_legs(row, sub, block.position)) for sub in range(1 << len(row))
            ]
            states = {
                mask | bits: self._through_row(ways, there) if there else ways
                for mask, ways in states.items()
                for bits, there in subsets
            }
            shift += len(row)
        closing = ritual_visit(
            "close", self._catalogue.closings[self._way.closing], block.position, self._catalogue
        )
        to_close = ((closing,), self._steps.setdefault((closing,), {}))
        ends = np.full(1 << shift, NEVER, dtype=np.int32)
        passes: dict[Scene, Seconds] = {}
        goes_on = b + 1 < len(self._blocks)
        for mask, ways in states.items():
            ends[mask] = min(seconds + self._step(scene, *to_close)[0] for scene, seconds in ways.items())
            for scene, seconds in ways.items() if goes_on else ():
                covered, after = self._ready_to_turn(scene)
                if after not in passes:
                    passes[after] = np.full(1 << shift, NEVER, dtype=np.int32)
                passes[after][mask] = min(passes[after][mask], seconds + covered)
        return _Part(ends, passes)

    def _row_legs(
        self, row: list[tuple[str, ...]], subset: int, position: str
    ) -> tuple[tuple[Leg, LegSteps], ...]:
        """The legs of the classes in `subset`, one region for each, announcements left out."""
        there = tuple(ids[0] for i, ids in enumerate(row) if subset >> i & 1)
        found = legs(there, position, self._way.clothed(self._catalogue), self._catalogue)
        silent = [tuple(replace(visit, skips=("announce",)) for visit in leg) for leg in found]
        return tuple((leg, self._steps.setdefault(leg, {})) for leg in silent)

    def _through_row(self, ways: Ways, row: tuple[tuple[Leg, LegSteps], ...]) -> Ways:
        done: list[Ways] = [ways, *({} for _ in range((1 << len(row)) - 1))]
        for mask, here in enumerate(done):
            for i, (leg, steps) in enumerate(row):
                if mask & 1 << i:
                    continue
                grown = done[mask | 1 << i]
                for start, seconds in here.items():
                    more, scene = steps.get(start) or self._step(start, leg, steps)
                    if seconds + more < grown.get(scene, FAR):
                        grown[scene] = seconds + more
        return done[-1]

    def _step(self, start: int, leg: Leg, steps: LegSteps) -> tuple[int, int]:
        if start not in steps:
            scene, cost = self._scenes[start], 0
            for visit in leg:
                changes, scene = approach(scene, visit, self._catalogue)
                cost += sum(transition.seconds for transition, _ in changes)
            steps[start] = cost, self._number(scene)
        return steps[start]

    def _ready_to_turn(self, number: int) -> tuple[int, Scene]:
        """What any turn begins with, whatever comes after it: covering, and putting the stool back."""
        if number not in self._ready:
            scene = self._scenes[number]
            seconds = self._catalogue.windows[scene.window].close_seconds
            seconds += self._catalogue.pace.stool if scene.stool is not None else 0
            # Where the therapist stands is forgotten in a turn, but not when the client only sits back.
            place: Place = scene.place if self._catalogue.positions[scene.position].seated else "right"
            bare = replace(scene, window="none", window_side="mid", stool=None, place=place)
            self._ready[number] = seconds, bare
        return self._ready[number]


def _lower(costs: dict[Scene | None, Seconds], key: Scene | None, found: Seconds) -> None:
    """Keep the lesser of what is known for `key` and what was found; nothing that never happens is kept."""
    if (found < NEVER).any():
        costs[key] = np.minimum(costs[key], found) if key in costs else found
