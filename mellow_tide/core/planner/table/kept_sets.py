"""Which regions to keep for every number of seconds that may be left: the upper envelope of all sets' values."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.planner.minutes.gains import ALIKE, Floats, Gains, over_sets
from mellow_tide.core.planner.minutes.minutes import Share

Sets = NDArray[np.int64]

STEP = 30
"""Seconds from one examined time to the next; where the best set changes between two, the second is found."""

PRICES = 24
AROUND = np.array([0.5, 0.7, 0.85, 1.0, 1.2, 1.5, 2.2])
"""Parts of the best set's price of a second at which all others are bounded."""

FEW_SETS = 32
"""So few sets are all valued."""


@dataclass(frozen=True)
class Envelope:
    """From `start` whole seconds on, the set of optional regions whose bits `kept` has is best."""

    start: int
    kept: int


class KeptSets:
    """All sets of `optional` shares, beside those that are `always` there; `between[i]` seconds go to what is no share.

    A set has the value of its best minutes; what even the most of all cannot fill is left over.
    """

    def __init__(
        self, optional: Sequence[Share], always: Sequence[Share], between: NDArray[np.int32]
    ) -> None:
        shares = (*optional, *always)
        rows = [(s.count, s.weight, s.saturation, s.least, s.most) for s in shares]
        self._shares: Floats = np.array(rows, dtype=np.float64)
        self._bonus: Floats = np.array([s.bonus for s in shares], dtype=np.float64)
        self._optional = len(optional)
        self.between = between
        self._gains = Gains(shares)
        self._least = over_sets(self._gains.least, self._optional)

    def envelope(self, longest: int) -> list[Envelope]:
        """The best sets from the fewest seconds that any fits in up to `longest`."""
        shortest = int(np.ceil((self._least + self.between).min()))
        times = np.arange(shortest, max(longest, shortest) + STEP, STEP, dtype=np.float64)
        best = self._best(times)
        found = [Envelope(shortest, int(best[0]))]
        for i in range(1, len(times)):
            if best[i] != found[-1].kept:
                start = self._change(int(times[i - 1]), int(times[i]), found[-1].kept, int(best[i]))
                found.append(Envelope(start, int(best[i])))
        return found

    def _change(self, low: int, high: int, before: int, after: int) -> int:
        """The first second from which the set `after` does more good."""
        while high - low > 1:
            middle = (low + high) // 2
            at = np.array([float(middle)])
            if self.valued(after, at)[0][0] > self.valued(before, at)[0][0]:
                high = middle
            else:
                low = middle
        return high

    def _best(self, times: Floats) -> Sets:
        """The best set at each of `times`, proven.

        Sets that are best at some price of a second are valued first. Of all others a set is valued only if its
        Lagrangian bound, at prices around the one that the best one found has then, promises more.
        """
        best = _Best(times, self)
        if len(self._least) <= FEW_SETS:
            for kept in range(len(self._least)):
                best.try_set(kept)
            return best.kept
        best.try_set(int(np.argmin(self._least + self.between)))
        for price in self._gains.prices(PRICES):
            best.try_set(int(np.argmax(self._gained(price) - price * self.between)))
        for i, time in enumerate(times):
            price = 1 / best.level[i]
            bounds = self._gained(price) + price * (time - self.between)
            bounds[self._least + self.between > time + 1e-6] = -np.inf
            promising = np.flatnonzero(bounds > best.value[i] + ALIKE)
            if not len(promising):
                continue
            finer = self._bounds(promising, AROUND * price, time)
            for place in np.argsort(-finer):
                if finer[place] <= best.value[i] + ALIKE:
                    break
                best.try_set(int(promising[place]))
        return best.kept

    def _bounds(self, sets: Sets, prices: Floats, time: float) -> Floats:
        """The least of the Lagrangian bounds of some sets at some prices."""
        gains = self._gains.over(prices)
        holds = (sets[:, None] >> np.arange(self._optional)) & 1
        bounds = holds @ gains[: self._optional] + gains[self._optional :].sum(axis=0)
        least: Floats = (bounds + prices * (time - self.between[sets])[:, None]).min(axis=1, initial=np.inf)
        return least

    def _gained(self, price: float) -> Floats:
        """By set, the most it can gain over the price of its shares' seconds."""
        return over_sets(self._gains.over(np.array([price]))[:, 0], self._optional)

    def valued(self, kept: int, times: Floats) -> tuple[Floats, Floats]:
        """The value of one set at each time, -inf where it does not fit, and its level."""
        totals, levels = self.corners(kept)
        free = times - self.between[kept]
        level = np.interp(free, totals, levels)
        count, weight, saturation, least, most = self._of(kept).T[..., None]
        seconds = np.clip(weight * level - saturation, least, most)
        good = (count * weight * np.log1p(seconds / saturation)).sum(axis=0)
        value = good + self._bonus[self._places(kept)].sum()
        value[free < totals[0] - 1e-6] = -np.inf
        return value, level

    def corners(self, kept: int) -> tuple[Floats, Floats]:
        """Where the level of a set bends, from least to most: seconds of all its shares together, and the level."""
        count, weight, saturation, least, most = self._of(kept).T
        levels = np.unique(np.concatenate([(least + saturation) / weight, (most + saturation) / weight]))
        seconds = np.clip(np.outer(levels, weight) - saturation, least, most)
        return seconds @ count, levels

    def _of(self, kept: int) -> Floats:
        return self._shares[self._places(kept)]

    def _places(self, kept: int) -> list[int]:
        """The places of the shares that a set has."""
        has = [i for i in range(self._optional) if kept >> i & 1]
        return [*has, *range(self._optional, len(self._shares))]


class _Best:
    """The best value found so far at each time, with its set and level."""

    def __init__(self, times: Floats, sets: KeptSets) -> None:
        self._times, self._sets = times, sets
        self._tried: set[int] = set()
        self.value: Floats = np.full(len(times), -np.inf)
        self.level: Floats = np.ones(len(times))
        self.kept: Sets = np.zeros(len(times), dtype=np.int64)

    def try_set(self, kept: int) -> None:
        """Value a set, once."""
        if kept in self._tried:
            return
        self._tried.add(kept)
        value, level = self._sets.valued(kept, self._times)
        better = value > self.value + ALIKE
        self.value[better], self.level[better], self.kept[better] = value[better], level[better], kept
