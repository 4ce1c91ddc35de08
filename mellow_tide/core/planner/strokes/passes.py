"""Passes of some strokes whose seconds come nearest to a target: a small knapsack."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

Passes = tuple[int, ...]
Counts = NDArray[np.int32]

LONGEST = 1_800
"""Seconds beyond which no part is ever worked."""

ALIKE = 3
"""Seconds within which fits count as equal, so that passes closer to usual win."""

FAR = 10_000
"""A difference from usual that no passes have."""

PASSES_BITS = 6
"""Bits that hold a number of passes."""

Length = tuple[int, int, int]
"""Seconds that a number of passes takes, how far that is from usual, and the number."""

Lengths = tuple[Length, ...]
"""What one stroke may take, from the fewest passes to the most."""


@dataclass(frozen=True)
class Totals:
    """Every total that passes can make, in order, each with the passes nearest to usual that make it."""

    totals: Counts
    strain: Counts
    picks: tuple[Counts, ...]
    lengths: tuple[Lengths, ...]

    def near(self, seconds: int) -> Passes:
        """The passes whose total is nearest to `seconds`; within `ALIKE` seconds those nearest to usual."""
        if not len(self.totals):
            return tuple(option[0][2] for option in self.lengths)
        low, high = self.totals.searchsorted((seconds - ALIKE, seconds + ALIKE + 1))
        if low < high:
            alike = self.totals[low:high]
            return self._passes(int(alike[self.strain[alike].argmin()]))
        around = self.totals[max(low - 1, 0) : high + 1]
        return self._passes(int(around[np.abs(around - seconds).argmin()]))

    def _passes(self, total: int) -> Passes:
        """The passes that make `total`, found backwards."""
        found = []
        for pick, option in zip(reversed(self.picks), reversed(self.lengths), strict=True):
            passes = int(pick[total])
            found.append(passes)
            total -= option[passes - option[0][2]][0]
        return tuple(reversed(found))


@lru_cache(maxsize=4_000)
def totals_of(lengths: tuple[Lengths, ...]) -> Totals:
    """By a programme over the strokes: for every total up to `LONGEST`, the least that passes differ from usual.

    The difference and the passes that make it are one number here, so that one comparison finds both.
    """
    size = 1 + min(sum(option[-1][0] for option in lengths), LONGEST)
    strain = np.full(size, FAR, dtype=np.int32)
    strain[0] = 0
    picks = []
    for option in lengths:
        before = strain << PASSES_BITS
        grown = np.full(size, FAR << PASSES_BITS, dtype=np.int32)
        for adds, away, passes in option:
            if adds < size:
                both = before[: size - adds] + ((away << PASSES_BITS) | passes)
                np.minimum(grown[adds:], both, out=grown[adds:])
        picks.append(grown & ((1 << PASSES_BITS) - 1))
        strain = grown >> PASSES_BITS
    return Totals(np.flatnonzero(strain < FAR).astype(np.int32), strain, tuple(picks), lengths)
