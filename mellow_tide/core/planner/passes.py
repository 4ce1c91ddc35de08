"""Passes of some strokes whose seconds come nearest to a target: a small knapsack."""

from bisect import bisect_left, bisect_right
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

Passes = tuple[int, ...]
Counts = NDArray[np.int16]

LONGEST = 1_800
"""Seconds beyond which no stop is ever worked."""

ALIKE = 3
"""Seconds within which fits count as equal, so that passes closer to usual win."""

FAR = np.int16(10_000)
"""A difference from usual that no passes have."""

Length = tuple[int, int, int]
"""Seconds that a number of passes takes, how far that is from usual, and the number."""

Lengths = tuple[Length, ...]
"""What one stroke may take, from the fewest passes to the most."""


@dataclass(frozen=True)
class Totals:
    """Every total that passes can make, in order, each with the passes nearest to usual that make it."""

    totals: tuple[int, ...]
    strain: Counts
    picks: tuple[Counts, ...]
    lengths: tuple[Lengths, ...]

    def near(self, seconds: int) -> Passes:
        """The passes whose total is nearest to `seconds`; within `ALIKE` seconds those nearest to usual."""
        low = bisect_left(self.totals, seconds - ALIKE)
        high = bisect_right(self.totals, seconds + ALIKE)
        if low < high:
            return self._passes(min(self.totals[low:high], key=lambda total: int(self.strain[total])))
        around = self.totals[max(low - 1, 0) : high + 1]
        return self._passes(min(around, key=lambda total: abs(total - seconds)))

    def _passes(self, total: int) -> Passes:
        """The passes that make `total`, found backwards."""
        found = []
        for pick, option in zip(reversed(self.picks), reversed(self.lengths), strict=True):
            passes = int(pick[total])
            found.append(passes)
            total -= next(adds for adds, _, n in option if n == passes)
        return tuple(reversed(found))


@lru_cache(maxsize=4_000)
def totals_of(lengths: tuple[Lengths, ...]) -> Totals:
    """By a programme over the strokes: for every total up to `LONGEST`, the least that passes differ from usual."""
    size = 1 + min(sum(option[-1][0] for option in lengths), LONGEST)
    strain = np.full(size, FAR, dtype=np.int16)
    strain[0] = 0
    picks = []
    for option in lengths:
        grown, pick = np.full(size, FAR, dtype=np.int16), np.zeros(size, dtype=np.int16)
        for adds, away, passes in option:
            if adds >= size:
                continue
            candidate = strain[: size - adds] + np.int16(away)
            better = candidate < grown[adds:]
            grown[adds:][better] = candidate[better]
            pick[adds:][better] = passes
        strain = grown
        picks.append(pick)
    totals = tuple(int(total) for total in np.flatnonzero(strain < FAR))
    return Totals(totals, strain, tuple(picks), lengths)
