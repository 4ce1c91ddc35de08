"""The best choice of a region's own strokes for every number of seconds and every set of needs."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property, lru_cache

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.planner.strokes.repertoire import AGAIN
from mellow_tide.core.planner.strokes.span import DryBounds, PlacedStroke
from mellow_tide.core.planner.strokes.worth import NEEDS, OwnStroke

NEW, ONCE_MORE = 9.0, 6.0
"""What a stroke's first use in a session is worth more, and each one from the third on less."""

TWICE_RUNNING = 30.0
"""What it costs to begin with the stroke that the region before ended with."""

AROUND = 10
"""Seconds by which a region may have more or less than its share, so that better strokes fit."""

OFF = 1.0
"""What a second costs that a region has more or less."""

NOWHERE = -1e6
"""The worth of what cannot be; anything below half of it is as good as that."""

SETS = 1 << len(NEEDS)

Worths = NDArray[np.float64]

Coded = NDArray[np.int64]
"""Worths in parts above the codes of how they were reached."""

PARTS = 1 << 16
"""Worths are whole numbers of such parts in a table."""

UNDONE, MET, CODE_BITS = 7, 8, 4
"""Below the worth of a state stand, in so many bits, how it was reached: whether the need of the stroke was `MET`
before it, and `LAST_PASS` less the place of its passes (five at most, see `passes_of`), or `UNDONE`. So one comparison
finds the greatest worth and the way to it; of equal ones it prefers what is not done, then the fewest passes.
"""

LAST_PASS = UNDONE - 1
CODE = (1 << CODE_BITS) - 1

BESIDE_BITS = 5
"""Bits that hold how many seconds beside its own the best worth lies, counted from `AROUND` more."""


def in_parts(worth: float) -> int:
    """A worth in whole parts."""
    return round(worth * PARTS)


BESIDE = np.array(
    [(-in_parts(OFF * abs(by)) << CODE_BITS + BESIDE_BITS) + AROUND - by for by in range(-AROUND, AROUND + 1)]
)[:, None]
"""What it takes off to lie so many seconds beside, from `AROUND` fewer to as many more (2 x AROUND + 1, 1)."""

WHICH_STATE = (SETS - 1 - np.arange(SETS))[:, None]
"""Below the worth of each state: of equal ones that with the fewest needs comes first (SETS, 1)."""

WITH_NEEDS = tuple(np.array([s for s in range(SETS) if s & needs == needs]) for needs in range(SETS))
"""By needs, the states that meet them all."""


def _novelty(used: int) -> float:
    """What it is worth more, or less, that the session has had a stroke so often already."""
    return NEW if not used else -ONCE_MORE * max(0, used - 1)


@dataclass(frozen=True)
class _Pick:
    """A stroke with the passes it may have: which of them is best in a state, and from which state it comes.

    `codes` has a row for every second, and in it one for each state that has what the stroke brings, as `_split` parts
    them.
    """

    own: OwnStroke
    codes: NDArray[np.int8]

    def passes(self, state: int, total: int) -> int:
        """The place among its passes with which it leads to a state best; -1: it is not done."""
        return LAST_PASS - (self._code(state, total) & UNDONE) if state & self.own.bit == self.own.bit else -1

    def before(self, state: int, total: int) -> int:
        """The state before a stroke that was done: whether its need was met already."""
        return state if self._code(state, total) & MET else state ^ self.own.bit

    def _code(self, state: int, total: int) -> int:
        bit = self.own.bit
        return int(self.codes[total, state // (2 * bit), state % bit] if bit else self.codes[total, state, 0])


def _split(best: Coded, bit: int) -> tuple[Coded, Coded | None]:
    """The states that have a bit, and beside each the one that lacks it; all, and none, without a bit. Views."""
    if not bit:
        return best[:, :, None], None
    pairs = best.reshape(len(best), -1, 2, bit)
    return pairs[:, :, 1], pairs[:, :, 0]


def _keep_within(best: Coded, bounds: DryBounds) -> None:
    """Leave out what has fewer or more seconds, unless nothing lies within the bounds."""
    least, most = bounds
    if (best[least : most + 1] > in_parts(NOWHERE / 2) << CODE_BITS).any():
        best[:least] = best[most + 1 :] = in_parts(NOWHERE) << CODE_BITS


class RegionTable:
    """By needs that are met and whole seconds, the greatest worth of a region's own strokes.

    A programme over (stroke, passes): each stroke once at one place, with one of its passes. Exact to the second.
    With bounds for it, dry work comes first, and what is worked before anything else keeps to them.
    """

    def __init__(
        self,
        strokes: tuple[OwnStroke, ...],
        used: Mapping[str, int],
        seconds: int,
        last: str,
        dry: DryBounds | None = None,
    ) -> None:
        self._size, self._strokes = seconds + AROUND + 1, strokes
        dry_first = sorted(strokes, key=lambda own: not own.dry) if dry else strokes
        # Second by second, so that what is compared lies together.
        best = np.full((self._size, SETS), in_parts(NOWHERE) << CODE_BITS, dtype=np.int64)
        best[0, 0] = 0
        self._picks: list[_Pick] = []
        # Beyond the seconds of the strokes so far there is nothing to grow from.
        reached = 0
        for own in dry_first:
            if dry and not own.dry:
                _keep_within(best, dry)
                dry = None
            stroke, first = own.placed.option.stroke.id, own.placed.option.rank < AGAIN
            more = _novelty(used.get(stroke, 0)) * first - TWICE_RUNNING * (stroke == last)
            # A state is reached from itself, or from the one that lacks what this stroke brings.
            has, lacks = _split(best, own.bit)
            base = has | MET
            grown = base | UNDONE
            if lacks is not None:
                np.maximum(base, lacks, out=base)
            longest = 0
            for i, taken in enumerate(own.seconds):
                if taken >= self._size:
                    break
                longest = taken
                end = min(self._size, reached + taken + 1)
                here = grown[taken:end]
                adds = (in_parts(own.worths[i] + more) << CODE_BITS) + LAST_PASS - i
                np.maximum(here, base[: end - taken] + adds, out=here)
            self._picks.append(_Pick(own, (grown & CODE).astype(np.int8)))
            np.bitwise_and(grown, ~CODE, out=has)
            reached = min(self._size - 1, reached + longest)
        if dry:
            _keep_within(best, dry)
        self._best = np.bitwise_or(best.T, WHICH_STATE, order="C")

    def after(self, used: Mapping[str, int], seconds: int, last: str) -> "RegionTable":
        """The table of the same strokes once others were used, up to so many seconds."""
        return find_table(self._strokes, used, seconds, last)

    @cached_property
    def offered(self) -> int:
        """The needs that can be met at all."""
        reached = (self._best > in_parts(NOWHERE / 2) << CODE_BITS).any(axis=1)
        return int(np.bitwise_or.reduce(np.flatnonzero(reached), initial=0))

    @cached_property
    def reach(self) -> int:
        """The most seconds that the strokes can fill, up to those of the table."""
        return int(np.flatnonzero((self._best > in_parts(NOWHERE / 2) << CODE_BITS).any(axis=0))[-1])

    def worth(self, needs: int, seconds: int) -> float:
        """The most that strokes which meet `needs` are worth in about so many seconds; `NOWHERE` if there are none.

        What lies beyond all that they can fill is left over, at a price.
        """
        return float(self.worths(needs)[seconds]) if 0 <= seconds < self._size else NOWHERE

    def worths(self, needs: int) -> Worths:
        """The same for every whole number of seconds, from 0 on."""
        found = self._worths.get(needs)
        if found is None:
            found = self._near(needs)[0].copy()
            beyond = np.arange(1, self._size - self.reach)
            found[self.reach + 1 :] = found[self.reach] - OFF * beyond
            self._worths[needs] = found
        return found

    def pick(self, needs: int, seconds: int) -> list[tuple[PlacedStroke, int]]:
        """Those strokes, with their passes."""
        seconds = min(seconds, self.reach)
        _, states, totals = self._near(needs)
        state, total = int(states[seconds]), int(totals[seconds])
        found = []
        for pick in reversed(self._picks):
            passes = pick.passes(state, total)
            if passes < 0:
                continue
            found.append((pick.own.placed, pick.own.passes[passes]))
            state = pick.before(state, total)
            total -= pick.own.seconds[passes]
        return found[::-1]

    def _near(self, needs: int) -> tuple[Worths, NDArray[np.intp], NDArray[np.intp]]:
        """By seconds: the most worth within `AROUND` of them with at least these needs, and where it is."""
        found = self._nears.get(needs)
        if found is None:
            padded = np.full(self._size + 2 * AROUND, in_parts(NOWHERE) << CODE_BITS + BESIDE_BITS)
            padded[AROUND:-AROUND] = self._best[WITH_NEEDS[needs]].max(axis=0) << BESIDE_BITS
            # Row after row the same worths, each a second further on: nothing is copied.
            windows = np.ndarray((len(BESIDE), self._size), np.int64, padded, strides=(8, 8))
            best = (windows + BESIDE).max(axis=0)
            beside = AROUND - (best & (1 << BESIDE_BITS) - 1)
            totals = np.clip(np.arange(self._size) + beside, 0, self._size - 1)
            states = SETS - 1 - (best >> BESIDE_BITS & CODE)
            found = (best >> CODE_BITS + BESIDE_BITS) / PARTS, states, totals
            self._nears[needs] = found
        return found

    @cached_property
    def _worths(self) -> dict[int, Worths]:
        return {}

    @cached_property
    def _nears(self) -> dict[int, tuple[Worths, NDArray[np.intp], NDArray[np.intp]]]:
        return {}


SHORTEST_TABLE = 60
"""Tables reach up to whole multiples of so many seconds, so that one serves several questions."""

Used = tuple[tuple[str, int], ...]


def find_table(
    strokes: tuple[OwnStroke, ...],
    used: Mapping[str, int],
    seconds: int,
    last: str = "",
    dry: DryBounds | None = None,
) -> RegionTable:
    """The table of some strokes, each used so often before, up to so many seconds; `last` came right before."""
    ids = {own.placed.option.stroke.id for own in strokes}
    known = tuple(sorted((id, n) for id, n in used.items() if n and id in ids))
    up_to = -(-max(1, seconds) // SHORTEST_TABLE) * SHORTEST_TABLE
    return _table(strokes, known, up_to, last if last in ids else "", dry)


# A table of a long part takes half a megabyte.
@lru_cache(maxsize=300)
def _table(
    strokes: tuple[OwnStroke, ...], used: Used, seconds: int, last: str, dry: DryBounds | None
) -> RegionTable:
    return RegionTable(strokes, dict(used), seconds, last, dry)
