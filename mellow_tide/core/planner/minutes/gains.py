"""What shares can gain at a price of a second: the pieces that every set's Lagrangian bound is summed up from."""

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.planner.minutes.minutes import Share

Floats = NDArray[np.float64]

ALIKE = 1e-9
"""Difference in value that is none."""


def over_sets(values: Floats, optional: int) -> Floats:
    """The sum of the shares' values over every set: bit i of a set's index stands for the i-th of the first `optional`.

    The shares after those are in all sets; each optional one adds itself to all sets before it.
    """
    sums = np.empty(1 << optional)
    sums[0] = values[optional:].sum()
    for i, value in enumerate(values[:optional]):
        np.add(sums[: 1 << i], value, out=sums[1 << i : 2 << i])
    return sums


class Gains:
    """What each share can gain most over the price of its seconds, at many prices at once."""

    def __init__(self, shares: Sequence[Share]) -> None:
        rows = [(s.count, s.weight, s.saturation, s.least, s.most, s.anchor, s.pull, s.bonus) for s in shares]
        columns = np.array(rows, dtype=np.float64).T[..., None]
        self._count, self._weight, self._saturation, self._low, self._high = columns[:5]
        self._anchor, self._pull, self._bonus = columns[5:]
        self._holds = bool(self._pull.any())
        self.least: Floats = (self._count * self._low)[:, 0]
        self._found: dict[int, tuple[Floats, Floats]] = {}

    def at(self, count: int) -> tuple[Floats, Floats]:
        """So many prices of a second, spread over all that matter, and by share and price the most that is gained."""
        if count not in self._found:
            prices = self.prices(count)
            self._found[count] = prices, self.over(prices)
        return self._found[count]

    def over(self, prices: Floats) -> Floats:
        """By share and price, the most that the share gains over the price of its seconds."""
        seconds = np.clip(self._wanted(prices), self._low, self._high)
        good = self._weight * np.log1p(seconds / self._saturation) - prices * seconds
        if self._holds:
            good -= self._pull * np.abs(seconds - self._anchor)
        gained: Floats = self._count * good + self._bonus
        return gained

    def prices(self, count: int) -> Floats:
        """So many prices of a second, from the cheapest last second of any share to the dearest first one."""
        last = self._weight / (self._saturation + self._high)
        first = self._weight / (self._saturation + self._low)
        if not self._holds:
            return np.geomspace(last.min(), first.max(), count)
        # Held shares are moved at prices around those of the free ones, and some only at one below nothing.
        anchored = self._weight / (self._saturation + self._anchor)
        bends = [last - self._pull, first + self._pull, anchored - self._pull, anchored + self._pull]
        prices: Floats = np.quantile(np.concatenate(bends), np.linspace(0, 1, count))
        return prices

    def _wanted(self, prices: Floats) -> Floats:
        """Seconds per side by share and price, without bounds; see `Share.at_price`."""
        wanted: Floats
        if not self._holds:
            # What is not held has a price above nothing, always.
            wanted = self._weight / prices - self._saturation
            return wanted
        beyond, before = (self._free_at(prices + self._pull), self._free_at(prices - self._pull))
        wanted = np.where(beyond > self._anchor, beyond, np.minimum(before, self._anchor))
        return wanted

    def _free_at(self, prices: Floats) -> Floats:
        with np.errstate(divide="ignore"):
            found: Floats = np.where(prices > 0, self._weight / prices - self._saturation, np.inf)
        return found
