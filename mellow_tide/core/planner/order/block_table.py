"""The cheapest ways through one block of a school, for every set of its classes and from every scene it may start in.

A class stands for the regions of one row that cost the same to reach. The table is built backwards, row by row: what
remains to be done from a scene is the least, over the ways through this row, of their seconds and of what then remains.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.planner.order.legs import Leg, list_silent_legs
from mellow_tide.core.planner.order.walk import FAR, LegSteps, Walk, through
from mellow_tide.core.timing.scene import Scene

Seconds = NDArray[np.int32]
NEVER = np.int32(FAR)


@dataclass(frozen=True)
class BlockTable:
    """A block from one start: by the set of its classes, the seconds to the end, and to each scene it can leave."""

    ends: Seconds
    leaves: Mapping[Scene, Seconds]


@dataclass(frozen=True)
class BlockRows:
    """The rows of a block, each with its classes, each of those with the ids of its regions."""

    position: str
    clothed: bool
    classes: Sequence[Sequence[tuple[str, ...]]]
    catalogue: Catalogue

    def legs(self, row: int, subset: int) -> tuple[Leg, ...]:
        """The legs of the classes in `subset`, one region for each, announcements left out."""
        there = tuple(ids[0] for i, ids in enumerate(self.classes[row]) if subset >> i & 1)
        return list_silent_legs(there, self.position, self.clothed, self.catalogue)


@dataclass(frozen=True)
class _Row:
    """A row's ways: where it may start, where the next row may, and by subset and exit the seconds from each start."""

    starts: list[int]
    exits: list[dict[int, Seconds]]


def make_block_tables(
    starts: Sequence[Scene], rows: BlockRows, closing: Leg, goes_on: bool, walk: Walk
) -> list[BlockTable]:
    """The tables of a block, one for each of `starts`; it may leave to a further block only if that `goes_on`."""
    there = [walk.number(scene) for scene in starts]
    done: list[_Row] = []
    for row, classes in enumerate(rows.classes):
        subsets = [
            [walk.steps(leg) for leg in rows.legs(row, subset)] for subset in range(1, 1 << len(classes))
        ]
        done.append(_Row(there, [_exits(there, legs) for legs in subsets]))
        there = list(dict.fromkeys([*there, *(exit for by_exit in done[-1].exits for exit in by_exit)]))
    scenes, remaining = _outcomes(there, walk.steps(closing), goes_on, walk)
    for passed in reversed(done):
        remaining = _before(passed, there, remaining)
        there = passed.starts
    return [_table(found, scenes) for found in remaining]


def _exits(starts: list[int], legs: list[LegSteps]) -> dict[int, Seconds]:
    """For each scene that the way through all legs can end in, the seconds to it from each start."""
    exits: dict[int, Seconds] = {}
    for place, start in enumerate(starts):
        for exit, seconds in through({start: 0}, legs)[-1].items():
            if exit not in exits:
                exits[exit] = np.full(len(starts), NEVER, dtype=np.int32)
            exits[exit][place] = seconds
    return exits


def _outcomes(
    there: list[int], closing: LegSteps, goes_on: bool, walk: Walk
) -> tuple[dict[Scene, int], Seconds]:
    """What may follow the last row: the end, at place 0, and the scenes left to a further block, with their places.

    And the seconds from each scene to each of them (scene, outcome, 1).
    """
    scenes: dict[Scene, int] = {}
    left = [walk.ready_to_turn(scene) for scene in there] if goes_on else []
    for _, after in left:
        scenes.setdefault(after, 1 + len(scenes))
    found = np.full((len(there), 1 + len(scenes), 1), NEVER, dtype=np.int32)
    found[:, 0, 0] = [closing[scene][0] for scene in there]
    for place, (seconds, after) in enumerate(left):
        found[place, scenes[after], 0] = seconds
    return scenes, found


def _before(row: _Row, there: list[int], remaining: Seconds) -> Seconds:
    """What remains before a row, from each of its starts, given what remains after it from each scene of `there`.

    Both are (scene, outcome, set of classes); the row's own classes become the lowest bits of the sets.
    """
    place = {scene: i for i, scene in enumerate(there)}
    _, outcomes, sets = remaining.shape
    found = np.empty((len(row.starts), outcomes, sets, 1 + len(row.exits)), dtype=np.int32)
    found[..., 0] = remaining[[place[start] for start in row.starts]]
    for subset, exits in enumerate(row.exits, 1):
        least = np.full((len(row.starts), outcomes, sets), NEVER, dtype=np.int32)
        for exit, seconds in exits.items():
            np.minimum(least, remaining[place[exit]] + seconds[:, None, None], out=least)
        found[..., subset] = least
    return found.reshape(len(row.starts), outcomes, -1)


def _table(found: Seconds, scenes: dict[Scene, int]) -> BlockTable:
    leaves = {scene: found[place] for scene, place in scenes.items() if (found[place] < NEVER).any()}
    return BlockTable(found[0], leaves)
