"""The best choice of a region's own strokes for every number of seconds and every set of needs."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property, lru_cache

import numpy as np
from numpy.lib.stride_tricks import sliding_window_view
from numpy.typing import NDArray

from mellow_tide.core.planner.strokes.repertoire import AGAIN
from mellow_tide.core.planner.strokes.span import PlacedStroke
from mellow_tide.core.planner.strokes.worth import NEEDS, OwnStroke

NEW, ONCE_MORE = 9.0, 6.0
"""What a stroke's first use in a session is worth more, and each one from the third on less."""

TWICE_RUNNING = 30.0
"""What it costs to begin with the stroke that the region before ended with."""

AROUND = 10
"""Seconds by which a region may have more or less than its share, so that better strokes fit."""

OFF = 1.0
"""What a second costs that a region has more or less."""

OFF_AROUND = np.float32(OFF) * np.abs(np.arange(-AROUND, AROUND + 1, dtype=np.float32))[:, None]
"""What lying so many seconds beside costs, from `AROUND` fewer to as many more (2 x AROUND + 1, 1)."""

NOWHERE = -1e6
"""The worth of what cannot be; anything below half of it is as good as that."""

SETS = 1 << len(NEEDS)

Worths = NDArray[np.float32]


def _novelty(used: int) -> float:
    """What it is worth more, or less, that the session has had a stroke so often already."""
    return NEW if not used else -ONCE_MORE * max(0, used - 1)


@dataclass(frozen=True)
class _Pick:
    """A stroke with the passes it may have: which of them is best in a state (-1: none), and from which state.

    Both have a row for each state that it may lead to; `rows` says which.
    """

    own: OwnStroke
    rows: Mapping[int, int]
    choice: NDArray[np.int8]
    from_other: NDArray[np.bool_] | None

    def passes(self, state: int, total: int) -> int:
        """The place among its passes with which it leads to a state best; -1: it is not done."""
        row = self.rows.get(state)
        return -1 if row is None else int(self.choice[row, total])

    def before(self, state: int, total: int) -> int:
        """The state before a stroke that was done: whether its need was met already."""
        met = self.from_other is None or not self.from_other[self.rows[state], total]
        return state if met else state ^ self.own.bit


@lru_cache(maxsize=SETS * SETS)
def _list_states(bits: int, bit: int) -> tuple[NDArray[np.intp], Mapping[int, int]]:
    """The states that have no needs but `bits`, and have `bit`; and the row of each."""
    states = [s for s in range(SETS) if not s & ~bits and s & bit == bit]
    return np.array(states), {state: row for row, state in enumerate(states)}


class RegionTable:
    """By needs that are met and whole seconds, the greatest worth of a region's own strokes.

    A programme over (stroke, passes): each stroke once at one place, with one of its passes. Exact to the second.
    """

    def __init__(
        self, strokes: tuple[OwnStroke, ...], used: Mapping[str, int], seconds: int, last: str
    ) -> None:
        self._size, self._strokes = seconds + AROUND + 1, strokes
        best: Worths = np.full((SETS, self._size), NOWHERE, dtype=np.float32)
        best[0, 0] = 0
        self._picks: list[_Pick] = []
        # Beyond the needs and the seconds of the strokes so far there is nothing to grow from.
        bits, reached = 0, 0
        for own in strokes:
            stroke, first = own.placed.option.stroke.id, own.placed.option.rank < AGAIN
            more = _novelty(used.get(stroke, 0)) * first - TWICE_RUNNING * (stroke == last)
            bits |= own.bit
            states, rows = _list_states(bits, own.bit)
            # A state is reached from itself, or from the one that lacks what this stroke brings.
            grown = best[states]
            base, from_other = grown.copy(), None
            if own.bit:
                other = best[states ^ own.bit]
                from_other = other > base
                np.maximum(base, other, out=base)
            choice = np.full(grown.shape, -1, dtype=np.int8)
            longest = 0
            for i, taken in enumerate(own.seconds):
                if taken >= self._size:
                    break
                longest = taken
                end = min(self._size, reached + taken + 1)
                trial = base[:, : end - taken] + np.float32(own.worths[i] + more)
                here = grown[:, taken:end]
                np.copyto(choice[:, taken:end], np.int8(i), where=trial > here)
                np.maximum(here, trial, out=here)
            self._picks.append(_Pick(own, rows, choice, from_other))
            best[states] = grown
            reached = min(self._size - 1, reached + longest)
        self._best = best

    def after(self, used: Mapping[str, int], seconds: int, last: str) -> "RegionTable":
        """The table of the same strokes once others were used, up to so many seconds."""
        return find_table(self._strokes, used, seconds, last)

    @cached_property
    def offered(self) -> int:
        """The needs that can be met at all."""
        reached = (self._best > NOWHERE / 2).any(axis=1)
        return int(np.bitwise_or.reduce(np.flatnonzero(reached), initial=0))

    @cached_property
    def reach(self) -> int:
        """The most seconds that the strokes can fill, up to those of the table."""
        return int(np.flatnonzero((self._best > NOWHERE / 2).any(axis=0))[-1])

    def worth(self, needs: int, seconds: int) -> float:
        """The most that strokes which meet `needs` are worth in about so many seconds; `NOWHERE` if there are none.

        What lies beyond all that they can fill is left over, at a price.
        """
        return float(self.worths(needs)[seconds]) if 0 <= seconds < self._size else NOWHERE

    def worths(self, needs: int) -> NDArray[np.float64]:
        """The same for every whole number of seconds, from 0 on."""
        found = self._worths.get(needs)
        if found is None:
            found = self._near(needs)[0].astype(np.float64)
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
            total -= pick.own.seconds[passes]
            state = pick.before(state, total)
        return found[::-1]

    def _near(self, needs: int) -> tuple[Worths, NDArray[np.intp], NDArray[np.intp]]:
        """By seconds: the most worth within `AROUND` of them with at least these needs, and where it is."""
        found = self._nears.get(needs)
        if found is None:
            states = [s for s in range(SETS) if s & needs == needs]
            rows = self._best[states]
            best, which = rows.max(axis=0), np.asarray(states)[rows.argmax(axis=0)]
            padded = np.full(self._size + 2 * AROUND, NOWHERE, dtype=np.float32)
            padded[AROUND:-AROUND] = best
            shifted = sliding_window_view(padded, self._size) - OFF_AROUND
            pick = shifted.argmax(axis=0)
            totals = np.clip(np.arange(self._size) + pick - AROUND, 0, self._size - 1)
            found = shifted.max(axis=0), which[totals], totals
            self._nears[needs] = found
        return found

    @cached_property
    def _worths(self) -> dict[int, NDArray[np.float64]]:
        return {}

    @cached_property
    def _nears(self) -> dict[int, tuple[Worths, NDArray[np.intp], NDArray[np.intp]]]:
        return {}


SHORTEST_TABLE = 60
"""Tables reach up to whole multiples of so many seconds, so that one serves several questions."""

Used = tuple[tuple[str, int], ...]


def find_table(
    strokes: tuple[OwnStroke, ...], used: Mapping[str, int], seconds: int, last: str = ""
) -> RegionTable:
    """The table of some strokes, each used so often before, up to so many seconds; `last` came right before."""
    ids = {own.placed.option.stroke.id for own in strokes}
    known = tuple(sorted((id, n) for id, n in used.items() if n and id in ids))
    up_to = -(-max(1, seconds) // SHORTEST_TABLE) * SHORTEST_TABLE
    return _table(strokes, known, up_to, last if last in ids else "")


# A table of a long part takes half a megabyte.
@lru_cache(maxsize=300)
def _table(strokes: tuple[OwnStroke, ...], used: Used, seconds: int, last: str) -> RegionTable:
    return RegionTable(strokes, dict(used), seconds, last)
